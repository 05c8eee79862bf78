// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/model/outside_files.h"

#include <QPointer>
#include <utility>

#include "solarchon/base/file.h"

namespace solarchon::app {

OutsideFiles::OutsideFiles(ErrorReporter& trouble, QObject* parent) : QObject(parent) {
  connect(&queue_, &SerialQueue::broke, &trouble, &ErrorReporter::tell_broken);
}

void OutsideFiles::read(QObject* whose, const QString& file, std::size_t most_bytes,
                        std::function<Made(const base::Result<std::string>&)> make) {
  queue_.ask([whose = QPointer<QObject>(whose), path = file.toStdString(), most_bytes,
              make = std::move(make)]() -> SerialQueue::Delivery {
    return [whose, made = make(base::read_file(path, most_bytes))] {
      if (whose) {
        made();
      }
    };
  });
}

}  // namespace solarchon::app
