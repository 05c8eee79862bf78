// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/theme.h"

#include <QApplication>
#include <QFile>
#include <QFontDatabase>
#include <QHash>
#include <QPainter>
#include <QPalette>
#include <QRegularExpression>
#include <QSvgRenderer>
#include <algorithm>

namespace solarchon::app {

namespace {

Look current_look = Look::kNoon;
int current_percent = 100;

QFont font_of(TextSize size, bool bold, double scale) {
  QFont font(QStringLiteral("Solarchon Sans"));
  constexpr int kPixels[] = {12, 14, 24, 36};
  font.setPixelSize(qRound(kPixels[static_cast<int>(size)] * scale));
  font.setBold(bold);
  return font;
}

const Palette kNoon{QColor(0xfbfaf5), QColor(0xffffff), QColor(0x14181c), QColor(0x41484f),
                    QColor(0xb9b6aa), QColor(0x0a4a86), QColor(0xffffff), QColor(0x9c0f16),
                    QColor(0x6e4a00), QColor(0xeda81f), QColor(0xe6eef5), QColor(0xdcd9cd)};
const Palette kIndoors{QColor(0x14171b), QColor(0x1d2126), QColor(0xe9e6dd), QColor(0xb9b8b2),
                       QColor(0x454b52), QColor(0x8cc0f0), QColor(0x0d1116), QColor(0xffa39b),
                       QColor(0xf0c566), QColor(0xe0a030), QColor(0x1b2530), QColor(0x2a2e33)};

QString style_sheet(const Palette& c) {
  QString sheet = QStringLiteral(R"(
    QWidget { color: @ink; }
    QMainWindow, QDialog, #ground { background: @ground; }
    QToolTip { background: @sheet; color: @ink; border: 1px solid @ink; padding: 4px; }
    QLineEdit, QTimeEdit, QPlainTextEdit, QTableWidget, QListWidget, QComboBox {
      background: @sheet; border: 1px solid @rule; border-radius: 3px; padding: 4px 6px;
      selection-background-color: @accent; selection-color: @on; }
    QLineEdit:focus, QTimeEdit:focus, QPlainTextEdit:focus, QTableWidget:focus, QListWidget:focus, QComboBox:focus {
      border: 2px solid @accent; padding: 3px 5px; }
    QLineEdit[bad="true"] { border: 2px solid @stop; padding: 3px 5px; }
    QPushButton, QToolButton {
      background: @sheet; border: 1px solid @ink; border-radius: 3px; padding: 6px 12px; }
    QPushButton:hover, QToolButton:hover { border-color: @accent; color: @accent; }
    QPushButton:focus, QToolButton:focus { border: 2px solid @accent; padding: 5px 11px; }
    QPushButton[narrow="true"] { padding: 6px 6px; }
    QPushButton[narrow="true"]:focus { padding: 5px 5px; }
    QPushButton:disabled, QToolButton:disabled { color: @faint; border-color: @rule; }
    QPushButton[main="true"] { background: @accent; color: @on; border-color: @accent; }
    QPushButton[main="true"]:disabled { background: @shade; color: @faint; border-color: @rule; }
    QPushButton[main="true"]:focus { border: 2px solid @ink; }
    QPushButton[switch="true"] { border-radius: 0; margin-left: -1px; }
    QPushButton[switch="true"][first="true"] { margin-left: 0; }
    QPushButton[switch="true"]:checked { background: @ink; color: @ground; border-color: @ink; }
    QCheckBox { spacing: 7px; }
    QCheckBox::indicator { background: @sheet; border: 1px solid @ink; border-radius: 2px;
      width: 14px; height: 14px; }
    QCheckBox::indicator:checked { background: @accent; border-color: @accent; image: url(@tick); }
    QCheckBox::indicator:disabled { border-color: @rule; }
    QToolButton::menu-indicator { image: none; }
    QMenu { background: @sheet; border: 1px solid @ink; padding: 4px; }
    QMenu::item { padding: 6px 20px; }
    QMenu::item:selected { background: @accent; color: @on; }
    QHeaderView::section { background: @ground; color: @faint; border: none;
      border-bottom: 1px solid @rule; padding: 4px 6px; }
    QTableWidget, QListWidget { gridline-color: @rule; alternate-background-color: @ground; }
    QTableWidget, QTableView { padding: 0 6px 0 0; }
    QTableView::item { padding: 0 6px; }
    #ready-list::item { padding-right: 12px; }
    QListWidget::item { padding: 6px 4px; }
    QListWidget::item:selected, QTableWidget::item:selected { background: @accent; color: @on; }
    QScrollBar:vertical { background: @ground; width: 12px; }
    QScrollBar:horizontal { background: @ground; height: 12px; }
    QScrollBar::handle { background: @rule; border-radius: 4px; min-height: 24px; min-width: 24px; }
    QScrollBar::add-line, QScrollBar::sub-line { height: 0; width: 0; }
    QScrollArea { background: transparent; border: none; }
    QScrollArea > QWidget > QWidget { background: transparent; }
    QComboBox { combobox-popup: 0; }
    QComboBox::drop-down { border: none; border-left: 1px solid @rule; width: 24px; }
    QComboBox::down-arrow { image: none; width: 0; height: 0; border-left: 5px solid @sheet;
      border-right: 5px solid @sheet; border-top: 6px solid @ink; }
    QComboBox QAbstractItemView { background: @sheet; color: @ink;
      selection-background-color: @accent; selection-color: @on; }
    QProgressBar { background: @sheet; border: 1px solid @ink; border-radius: 3px;
      text-align: center; min-height: 20px; }
    QProgressBar::chunk { background: @rule; }
    #step-card { background: @sheet; border: 1px solid @ink; border-radius: 4px; }
    QLabel[role="faint"] { color: @faint; }
    QLabel[role="error"] { color: @stop; }
  )");
  // Room around words grows with them; lines stay as thin as they are.
  static const QRegularExpression kLengths(QStringLiteral("\\b(\\d+)px"));
  QString scaled;
  qsizetype done = 0;
  for (auto found = kLengths.globalMatch(sheet); found.hasNext();) {
    const QRegularExpressionMatch length = found.next();
    const int designed = length.captured(1).toInt();
    constexpr int kThinnest = 3;
    const int drawn = designed < kThinnest ? designed : Theme::px(designed);
    scaled += sheet.mid(done, length.capturedStart() - done) + QStringLiteral("%1px").arg(drawn);
    done = length.capturedEnd();
  }
  sheet = scaled + sheet.mid(done);
  const std::pair<const char*, QColor> names[] = {
      {"@ink", c.ink},         {"@ground", c.ground}, {"@sheet", c.sheet},
      {"@rule", c.rule},       {"@on", c.on_accent},  {"@accent", c.accent},
      {"@faint", c.faint_ink}, {"@stop", c.stop},     {"@shade", c.shade}};
  for (const auto& [name, colour] : names) {
    sheet.replace(QLatin1String(name), colour.name());
  }
  sheet.replace(QLatin1String("@tick"), &c == &kNoon ? QStringLiteral(":/icons/tick-noon.svg")
                                                     : QStringLiteral(":/icons/tick-indoors.svg"));
  return sheet;
}

}  // namespace

void Theme::load_fonts() {
  QFontDatabase::addApplicationFont(QStringLiteral(":/fonts/SolarchonSans-Regular.otf"));
  QFontDatabase::addApplicationFont(QStringLiteral(":/fonts/SolarchonSans-Bold.otf"));
}

void Theme::apply(Look look) {
  current_look = look;
  const Palette& c = colours();
  QPalette palette;
  palette.setColor(QPalette::Window, c.ground);
  palette.setColor(QPalette::Base, c.sheet);
  palette.setColor(QPalette::AlternateBase, c.ground);
  palette.setColor(QPalette::Button, c.sheet);
  palette.setColor(QPalette::WindowText, c.ink);
  palette.setColor(QPalette::Text, c.ink);
  palette.setColor(QPalette::ButtonText, c.ink);
  palette.setColor(QPalette::PlaceholderText, c.faint_ink);
  palette.setColor(QPalette::Highlight, c.accent);
  palette.setColor(QPalette::HighlightedText, c.on_accent);
  QApplication::setPalette(palette);
  QApplication::setFont(font(TextSize::kMedium));
  qApp->setStyleSheet(style_sheet(c));
}

Look Theme::look() { return current_look; }

const Palette& Theme::colours() { return current_look == Look::kNoon ? kNoon : kIndoors; }

QFont Theme::font(TextSize size, bool bold) { return font_of(size, bold, scale()); }
QFont Theme::drawn_font(TextSize size, bool bold) { return font_of(size, bold, 1.0); }

void Theme::set_text_percent(int percent) {
  current_percent = std::clamp(percent, kLeastPercent, kMostPercent);
}
int Theme::text_percent() { return current_percent; }
double Theme::scale() { return current_percent / 100.0; }
int Theme::px(int designed) { return qRound(designed * scale()); }
QSize Theme::px(const QSize& designed) { return {px(designed.width()), px(designed.height())}; }

QIcon Theme::icon(const QString& name, const QColor& colour) {
  static QHash<QString, QIcon> drawn;  // a rail is painted often, its glyphs are few
  QIcon& icon = drawn[name + colour.name()];
  QFile file(QStringLiteral(":/icons/%1.svg").arg(name));
  if (!icon.isNull() || !file.open(QIODevice::ReadOnly)) {
    return icon;
  }
  QByteArray svg = file.readAll();
  svg.replace("#000", colour.name().toLatin1());
  QSvgRenderer renderer(svg);
  constexpr int kSide = 128;  // fine enough for the largest text
  QPixmap pixmap(kSide, kSide);
  pixmap.fill(Qt::transparent);
  QPainter painter(&pixmap);
  renderer.render(&painter);
  icon = QIcon(pixmap);
  return icon;
}

QPen Theme::line(const QColor& colour, double width) {
  QPen pen(colour, width);
  pen.setCapStyle(Qt::FlatCap);
  return pen;
}

}  // namespace solarchon::app
