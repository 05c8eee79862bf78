// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/model/kit.h"

#include <QUuid>
#include <utility>

#include "solarchon/base/json.h"
#include "solarchon/optics/catalogue.h"

namespace solarchon::app {

namespace {

/// A part as the kit holds it: places in a light path have ids of their own.
optics::Element as_kept(optics::Element part) {
  if (part.kit_id.empty()) {
    part.kit_id = "kit-" + QUuid::createUuid().toString(QUuid::WithoutBraces).toStdString();
  }
  part.id.clear();
  part.fitted = true;
  return part;
}

}  // namespace

Kit::Kit(LogQueue& queue, OutsideFiles& files, QUndoStack& undo, ErrorReporter& trouble,
         QObject* parent)
    : QObject(parent),
      files_(files),
      trouble_(trouble),
      parts_(queue, undo, trouble, this, [this] { emit partsChanged(); }),
      sites_(queue, files, undo, trouble),
      paths_(queue, files, undo, trouble) {}

void Kit::reload() {
  parts_.reload();
  sites_.reload();
  paths_.reload();
}

std::string Kit::keep(optics::Element part) {
  const optics::Element kept = as_kept(std::move(part));
  parts_.edit(tr("Keep part in kit"), {{kept.kit_id, kept}});
  return kept.kit_id;
}

void Kit::drop(const std::string& kit_id) {
  if (parts_.find(kit_id) != nullptr) {
    parts_.edit(tr("Remove part from kit"), {{kit_id, std::nullopt}});
  }
}

void Kit::import_file(const QString& file) {
  files_.read(this, file, optics::kMostPartsBytes,
              [this, file](const base::Result<std::string>& text) -> OutsideFiles::Made {
                const auto read = text.and_then([&](const std::string& bytes) {
                                        return base::parse_json(bytes, file.toStdString());
                                      })
                                      .and_then(optics::parts_from_json);
                return [this, read] {
                  if (!read) {
                    trouble_.tell(read.error());
                    return;
                  }
                  std::vector<Collection<optics::Element>::Wish> wishes;
                  for (optics::Element part : *read) {
                    part.kit_id.clear();  // ids of another kit mean nothing here
                    const optics::Element kept = as_kept(std::move(part));
                    wishes.push_back({kept.kit_id, kept});
                  }
                  parts_.edit(tr("Add a file to the kit"), wishes);
                };
              });
}

void Kit::export_to(const QString& file) {
  if (const auto written = optics::write_parts(parts(), file.toStdString()); !written) {
    trouble_.tell(written.error());
  }
}

}  // namespace solarchon::app
