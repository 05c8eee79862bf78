// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QDate>
#include <QTimeZone>
#include <vector>

#include "app/shell/drawing.h"
#include "solarchon/log/log_book.h"

namespace solarchon::app {

/// The year as a strip of days: a bar for each day with frames, as tall as the spots counted.
class YearStrip : public Drawing {
  Q_OBJECT

 public:
  explicit YearStrip(QWidget* parent = nullptr);
  void show_year(int year, const std::vector<log::SessionSummary>& sessions, const QTimeZone& zone);
  void choose(std::int64_t session);
  [[nodiscard]] QSize usual_size() const override { return {600, 96}; }

 signals:
  void sessionClicked(qint64 session);

 protected:
  void draw(QPainter& painter) override;
  void mousePressEvent(QMouseEvent* event) override;

 private:
  struct Bar {
    std::int64_t session;
    QDate date;
    int spots;
    double seeing_arcsec;
  };
  [[nodiscard]] double x_of(const QDate& date) const;

  int year_ = 2027;
  std::vector<Bar> bars_;
  std::int64_t chosen_ = -1;
};

}  // namespace solarchon::app
