// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/field/instrument.h"

#include <utility>

#include "app/model/kit.h"
#include "app/shell/theme.h"

namespace solarchon::app {

QString how_to(std::string_view step) {
  if (step == "axis" || step == "level-base" || step == "mark-feet") {
    return QStringLiteral("field-north");
  }
  if (step == "turn-to-sun" || step == "turn-and-uncap" || step == "centre" ||
      step == "back-to-sun" || step == "try-on-card") {
    return QStringLiteral("field-find");
  }
  if (step == "refine-axis") {
    return QStringLiteral("field-drift");
  }
  return {};
}

Instrument::Instrument(const Models& models, QWidget* parent)
    : QWidget(parent),
      document_(models.document),
      kit_(models.kit),
      ground_(new GroundPlan(this)),
      aim_(new AimPicture(this)),
      pole_(new PolePicture(this)),
      stack_(new QStackedLayout(this)) {
  setObjectName(QStringLiteral("step-instrument"));
  constexpr int kHigh = 310;
  setFixedHeight(Theme::px(kHigh));
  for (Drawing* picture : {static_cast<Drawing*>(ground_), static_cast<Drawing*>(aim_),
                           static_cast<Drawing*>(pole_)}) {
    // Names of their own: the pages have the same pictures.
    picture->setObjectName(QStringLiteral("step-") + picture->objectName());
    picture->setMinimumSize(Theme::px(280), Theme::px(kHigh));
    stack_->addWidget(picture);
  }
}

void Instrument::show_for(std::string_view step) {
  const QString place = how_to(step);
  const workspace::Workspace& space = document_.workspace();
  if (place == QLatin1String("field-north")) {
    const auto north = align::find_north(workspace::observer_of(space), document_.moment(),
                                         document_.day().transit, north_tools(document_));
    if (north) {
      const align::NorthWay way = step == "mark-feet" ? align::NorthWay::kMarks
                                  : north->shadow     ? align::NorthWay::kShadow
                                                      : align::NorthWay::kCompass;
      GroundPlan::Scene scene = ground_scene(document_, *north, way);
      scene.coming.clear();  // there is no room for them here
      ground_->show_scene(std::move(scene), QString());
    }
    stack_->setCurrentWidget(ground_);
  } else if (place == QLatin1String("field-find")) {
    const auto length = tube_mm(document_);
    const double accuracy = length ? align::shadow_accuracy_arcmin(*length) : 0.0;
    aim_->show_scene(
        aim_scene(document_,
                  align::starts_of(space.rig, kit_.parts(), accuracy,
                                   document_.answers().sun.semidiameter_arcsec(), space.practice),
                  accuracy),
        QString());
    stack_->setCurrentWidget(aim_);
  } else if (place == QLatin1String("field-drift")) {
    pole_->show_scene(pole_scene(document_, workspace::axis_of(space)), QString());
    stack_->setCurrentWidget(pole_);
  }
}

}  // namespace solarchon::app
