// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/plain_tips.h"

#include <QAbstractItemView>
#include <QApplication>
#include <QHelpEvent>
#include <QTextDocument>
#include <QToolTip>

namespace solarchon::app {

namespace {

/// Takes over the tips of a program before its widgets show them.
class PlainTips : public QObject {
 public:
  using QObject::QObject;

 protected:
  bool eventFilter(QObject* watched, QEvent* event) override {
    auto* widget = event->type() == QEvent::ToolTip ? qobject_cast<QWidget*>(watched) : nullptr;
    if (widget == nullptr) {
      return false;
    }
    const auto* help = static_cast<QHelpEvent*>(event);
    QString words = widget->toolTip();
    auto* view = qobject_cast<QAbstractItemView*>(widget->parentWidget());
    if (view != nullptr && view->viewport() == widget) {
      words = view->indexAt(help->pos()).data(Qt::ToolTipRole).toString();
    }
    if (words.isEmpty()) {
      return false;  // painted pictures find their own words
    }
    show_plain_tip(help->globalPos(), words, widget);
    return true;
  }
};

}  // namespace

void show_plain_tip(const QPoint& at, const QString& words, QWidget* widget) {
  QString shown = words;
  if (Qt::mightBeRichText(words)) {
    shown = words.toHtmlEscaped();
    shown.replace(QLatin1Char('\n'), QStringLiteral("<br>"));
    shown = QStringLiteral("<qt>%1</qt>").arg(shown);
  }
  QToolTip::showText(at, shown, widget);
}

void show_all_tips_plain() {
  static PlainTips* tips = nullptr;
  if (tips == nullptr) {
    tips = new PlainTips(qApp);
    qApp->installEventFilter(tips);
  }
}

}  // namespace solarchon::app
