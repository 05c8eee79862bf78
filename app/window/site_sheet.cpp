// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/window/site_sheet.h"

#include <QCompleter>
#include <QTimeZone>
#include <QVBoxLayout>

#include "app/model/phrases.h"
#include "app/shell/plain_label.h"
#include "app/shell/theme.h"
#include "solarchon/sky/dew.h"

namespace solarchon::app {

using workspace::Workspace;

namespace {

QLineEdit* add_text(QVBoxLayout& column, const QString& label, QWidget* parent) {
  auto* caption = new PlainLabel(label, parent);
  auto* edit = new QLineEdit(parent);
  caption->setBuddy(edit);
  edit->setAccessibleName(label);
  column.addWidget(caption);
  column.addWidget(edit);
  return edit;
}

}  // namespace

SiteSheet::SiteSheet(Document& document, AnyInHand& sites, QWidget* parent)
    : DropSheet(parent),
      document_(document),
      shelf_(new ShelfList(sites, tr("Sites"), this)),
      zone_problem_(new PlainLabel(this)) {
  constexpr int kWide = 288;
  shelf_->setFixedWidth(Theme::px(kWide));
  column().addWidget(shelf_);
  auto* rule = new QFrame(this);
  rule->setFrameShape(QFrame::HLine);
  column().addWidget(rule);
  connect(shelf_, &ShelfList::taken, this, &SiteSheet::follow);
  connect(shelf_, &ShelfList::dialogueComes, this, &QWidget::hide);
  connect(shelf_, &ShelfList::hinted, this, &SiteSheet::hinted);
  name_ = add_text(column(), tr("Name of the site"), this);
  zone_ = add_text(column(), tr("Time zone"), this);
  QStringList zones;
  for (const QByteArray& id : QTimeZone::availableTimeZoneIds()) {
    zones << QString::fromLatin1(id);
  }
  zone_->setCompleter(new QCompleter(zones, zone_));
  zone_problem_->setProperty("role", "error");
  zone_problem_->setFont(Theme::font(TextSize::kSmall));
  zone_problem_->hide();
  column().addWidget(zone_problem_);
  add_number(tr("Latitude"), tr("\u00b0 N"), sky::kLatitudeRange,
             [](Workspace& w) -> double& { return w.site.latitude_deg; });
  add_number(tr("Longitude"), tr("\u00b0 E"), sky::kLongitudeRange,
             [](Workspace& w) -> double& { return w.site.longitude_deg; });
  add_number(tr("Height"), tr("m"), sky::kElevationRange,
             [](Workspace& w) -> double& { return w.site.elevation_m; });
  add_number(tr("Air temperature"), QStringLiteral("\u00b0C"), sky::kTemperatureRange,
             [](Workspace& w) -> double& { return w.conditions.temperature_c; });
  pressure_ = add_optional(tr("Air pressure"), QStringLiteral("hPa"), sky::kPressureRange,
                           &workspace::Conditions::pressure_hpa, "pressure");
  pressure_->setToolTip(
      tr("At the site itself, not reduced to the sea; left empty, what is usual at its height"));
  humidity_ = add_optional(tr("Humidity"), QStringLiteral("%"), sky::kHumidityRange,
                           &workspace::Conditions::humidity_percent, "humidity");
  humidity_->setObjectName(QStringLiteral("site-humidity"));
  humidity_->setToolTip(tr("Relative, for dew on the glass; left empty, the forecast's"));
  humidity_->allow_empty(tr("forecast's"));
  connect(name_, &QLineEdit::editingFinished, this, [this] {
    Workspace next = document_.workspace();
    next.site.name = name_->text().trimmed().toStdString();
    document_.edit(tr("Rename site"), next, EditKind::kSite, "name");
  });
  connect(zone_, &QLineEdit::editingFinished, this, [this] {
    const QByteArray id = zone_->text().trimmed().toUtf8();
    const bool known = QTimeZone(id).isValid();
    zone_problem_->setText(known ? QString() : tr("not a known zone, such as Europe/Madrid"));
    zone_problem_->setVisible(!known);
    if (known) {
      Workspace next = document_.workspace();
      next.site.time_zone = id.toStdString();
      document_.edit(tr("Change time zone"), next, EditKind::kSite, "zone");
    }
  });
}

void SiteSheet::add_number(const QString& label, const QString& unit, base::Range range,
                           double& (*member)(Workspace&)) {
  auto* field = new NumberField(label, unit, range, false, this);
  field->setToolTip(tr("South and west are negative; pressure is that at the site itself"));
  const std::string subject = std::to_string(rows_.size());
  connect(field, &NumberField::entered, this, [this, member, label, subject](double value) {
    Workspace next = document_.workspace();
    member(next) = value;
    document_.edit(tr("Change: %1").arg(label), next, EditKind::kSite, subject);
  });
  column().addWidget(field);
  rows_.push_back({field, member});
}

NumberField* SiteSheet::add_optional(const QString& label, const QString& unit, base::Range range,
                                     std::optional<double> workspace::Conditions::*member,
                                     const std::string& subject) {
  auto* field = new NumberField(label, unit, range, false, this);
  const auto change = [this, label, member, subject](std::optional<double> given) {
    Workspace next = document_.workspace();
    next.conditions.*member = given;
    document_.edit(tr("Change: %1").arg(label), next, EditKind::kSite, subject);
  };
  connect(field, &NumberField::entered, this, change);
  connect(field, &NumberField::emptied, this, [change] { change(std::nullopt); });
  column().addWidget(field);
  return field;
}

void SiteSheet::follow() {
  shelf_->follow();
  Workspace current = document_.workspace();
  name_->setText(QString::fromStdString(current.site.name));
  zone_->setText(QString::fromStdString(current.site.time_zone));
  zone_problem_->hide();
  for (const Row& row : rows_) {
    row.field->show_value(row.member(current));
  }
  pressure_->allow_empty(
      tr("usual %1").arg(number(sky::standard_pressure_hpa(current.site.elevation_m), 0)));
  const auto show = [](NumberField* field, const std::optional<double>& value) {
    value ? field->show_value(*value) : field->clear();
  };
  show(pressure_, current.conditions.pressure_hpa);
  show(humidity_, current.conditions.humidity_percent);
}

void SiteSheet::showEvent(QShowEvent* event) {
  DropSheet::showEvent(event);
  name_->setFocus();
}

}  // namespace solarchon::app
