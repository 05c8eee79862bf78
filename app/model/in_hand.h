// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QObject>
#include <string>

#include "app/model/document.h"
#include "app/model/shelf.h"

namespace solarchon::app {

/// How what is in hand stands to its shelf, where things are told apart by name.
enum class OnShelf { kNot, kChanged, kAsItIs };

/// The site or light path in hand, and the shelf that it comes from.
class AnyInHand : public QObject {
  Q_OBJECT

 public:
  AnyInHand(Document& document, AnyShelf& shelf, QObject* parent = nullptr);

  [[nodiscard]] AnyShelf& shelf() const { return shelf_; }
  [[nodiscard]] virtual std::string name() const = 0;
  [[nodiscard]] virtual OnShelf state() const = 0;
  /// Something of the shelf, in a few words.
  [[nodiscard]] virtual QString details(const std::string& name) const = 0;
  /// Takes another in hand, as one step of undo. What is not on the shelf at all is kept there
  /// first; changes of what is there are not.
  /// @return  false when there were such changes: undo brings them back
  virtual bool take(const std::string& name) = 0;
  /// Puts what is in hand on the shelf, in the place of what has its name.
  virtual void keep() = 0;
  /// Gives something on the shelf another name, and what is in hand if that is the same.
  /// @return  false when the name is empty or taken
  virtual bool rename(const std::string& name, const std::string& to) = 0;
  void undo() { document_.undo().undo(); }

 signals:
  void changed();

 protected:
  [[nodiscard]] Document& document() const { return document_; }

 private:
  Document& document_;
  AnyShelf& shelf_;
};

/// For sky::Site and optics::Rig.
template <typename T>
class InHand : public AnyInHand {
 public:
  InHand(Document& document, Shelf<T>& shelf, QObject* parent = nullptr);
  [[nodiscard]] std::string name() const override { return now().name; }
  [[nodiscard]] OnShelf state() const override;
  [[nodiscard]] QString details(const std::string& name) const override;
  bool take(const std::string& name) override;
  void keep() override { kept_.keep(now()); }
  bool rename(const std::string& name, const std::string& to) override;

 private:
  [[nodiscard]] const T& now() const;
  void put(const QString& what, const T& thing);

  Shelf<T>& kept_;
};

using SiteInHand = InHand<sky::Site>;
using PathInHand = InHand<optics::Rig>;

}  // namespace solarchon::app
