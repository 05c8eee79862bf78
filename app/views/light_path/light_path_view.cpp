// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/light_path/light_path_view.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QMenu>
#include <QScrollArea>
#include <QToolButton>
#include <QVBoxLayout>
#include <utility>

#include "app/shell/phrases.h"
#include "app/shell/theme.h"
#include "solarchon/optics/rig_file.h"

namespace solarchon::app {

LightPathView::LightPathView(Document& document, Records& records, QWidget* parent)
    : View(document, records, parent),
      section_(new Section(document, this)),
      figures_(new Figures(4, this)),
      findings_(new FindingsList(this)),
      sheet_(new PartSheet(document, this)),
      toggle_(new QPushButton(this)),
      remove_(new QPushButton(tr("Remove"), this)) {
  auto* left = new QVBoxLayout;
  left->setSpacing(8);
  left->addWidget(build_tools());
  left->addWidget(section_, 1);
  left->addWidget(figures_);
  auto* row = new QHBoxLayout(this);
  row->setContentsMargins(16, 12, 16, 12);
  row->setSpacing(20);
  row->addLayout(left, 1);
  row->addWidget(build_side());
  connect(section_, &Section::selectionChanged, this, [this] { follow(); });
  connect(section_, &Section::toggleAsked, this, &LightPathView::toggle);
  connect(section_, &Section::removeAsked, this, &LightPathView::remove);
  connect(section_, &Section::moveAsked, this, &LightPathView::move);
}

QWidget* LightPathView::build_tools() {
  auto* tools = new QWidget(this);
  auto* row = new QHBoxLayout(tools);
  row->setContentsMargins(0, 0, 0, 0);
  auto* add_part = new QToolButton(tools);
  add_part->setText(tr("Add a part"));
  add_part->setPopupMode(QToolButton::InstantPopup);
  auto* menu = new QMenu(add_part);
  for (const optics::Element& generic : optics::generic_parts()) {
    menu->addAction(text(generic.name), this, [this, generic] { add(generic); });
  }
  add_part->setMenu(menu);
  toggle_->setObjectName(QStringLiteral("toggle-part"));
  toggle_->setToolTip(tr("Lays the part aside without forgetting it, or fits it again (Space)"));
  remove_->setToolTip(tr("Removes the part from this light path (Delete)"));
  auto* sunward = new QPushButton(tr("Sunward"), tools);
  auto* rearward = new QPushButton(tr("Rearward"), tools);
  sunward->setToolTip(tr("Moves the part one place towards the Sun (Ctrl+Left)"));
  rearward->setToolTip(tr("Moves the part one place towards the camera (Ctrl+Right)"));
  connect(toggle_, &QPushButton::clicked, this, &LightPathView::toggle);
  connect(remove_, &QPushButton::clicked, this, &LightPathView::remove);
  connect(sunward, &QPushButton::clicked, this, [this] { move(-1); });
  connect(rearward, &QPushButton::clicked, this, [this] { move(1); });
  row->addWidget(add_part);
  row->addWidget(toggle_);
  row->addWidget(sunward);
  row->addWidget(rearward);
  row->addWidget(remove_);
  row->addStretch(1);
  return tools;
}

QWidget* LightPathView::build_side() {
  auto* side = new QWidget(this);
  side->setFixedWidth(320);
  auto* column = new QVBoxLayout(side);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(8);
  column->addWidget(findings_, 3);
  auto* scroll = new QScrollArea(side);
  scroll->setWidgetResizable(true);
  scroll->setFrameShape(QFrame::NoFrame);
  scroll->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  auto* holder = new QWidget;
  auto* inner = new QVBoxLayout(holder);
  inner->setContentsMargins(0, 0, 8, 0);
  auto* caption = new QLabel(tr("The chosen part"), holder);
  caption->setFont(Theme::font(TextSize::kSmall));
  caption->setProperty("role", "faint");
  inner->addWidget(caption);
  inner->addWidget(sheet_);
  inner->addStretch(1);
  scroll->setWidget(holder);
  column->addWidget(scroll, 2);
  return side;
}

Readiness LightPathView::readiness() const {
  const safety::Assessment& safety = document().answers().safety;
  return {safety.verdict, safety.findings.empty() ? QString() : text(safety.findings.front().why)};
}

void LightPathView::restyle() {
  findings_->show_assessment({}, {});
  follow();
}

void LightPathView::follow() {
  const workspace::Workspace& workspace = document().workspace();
  const optics::Train& train = document().answers().train;
  findings_->show_assessment(document().answers().safety, workspace.rig);
  sheet_->show_element(section_->selected());
  const bool any = !workspace.rig.elements.empty();
  const bool fitted =
      any && workspace.rig.elements[static_cast<std::size_t>(section_->selected())].fitted;
  toggle_->setText(fitted ? tr("Take off") : tr("Put back"));
  toggle_->setEnabled(any);
  remove_->setEnabled(any);
  const QString none = QStringLiteral("\u2013");
  const auto shown = [&](const std::optional<double>& value, int decimals, const QString& form) {
    return value ? form.arg(number(*value, decimals)) : none;
  };
  figures_->show_rows(
      {{tr("Focal length"), shown(train.effective_focal_length_mm, 0, tr("%1 mm"))},
       {tr("Focal ratio"), shown(train.focal_ratio, 1, tr("f/%1"))},
       {tr("Image of the Sun"), shown(train.solar_image_mm, 2, tr("%1 mm"))},
       {tr("Sampling"), shown(train.sampling_arcsec_px, 2, tr("%1\u2033 per pixel"))},
       {tr("Finest detail of the lens"),
        shown(train.diffraction_cutoff_arcsec, 2, QStringLiteral("%1\u2033")),
        tr("Diffraction cutoff: wavelength over aperture, at 540 nm")},
       {tr("Pixels per finest detail"),
        shown(train.sampling_px_per_cutoff, 2, QStringLiteral("%1")),
        tr("Two would catch all that the lens can show")},
       {tr("Field"), train.field_width_arcmin ? tr("%1\u2032 \u00d7 %2\u2032")
                                                    .arg(number(*train.field_width_arcmin, 1),
                                                         number(*train.field_height_arcmin, 1))
                                              : none},
       {tr("Whole Sun"),
        train.disc_fits ? (*train.disc_fits ? tr("fits the sensor") : tr("is cut by the sensor"))
                        : none}});
}

void LightPathView::toggle() {
  workspace::Workspace next = document().workspace();
  if (next.rig.elements.empty()) {
    return;
  }
  optics::Element& element = next.rig.elements[static_cast<std::size_t>(section_->selected())];
  element.fitted = !element.fitted;
  document().edit(element.fitted ? tr("Put part back") : tr("Take part off"), next);
}

void LightPathView::remove() {
  workspace::Workspace next = document().workspace();
  if (next.rig.elements.empty()) {
    return;
  }
  next.rig.elements.erase(next.rig.elements.begin() + section_->selected());
  document().edit(tr("Remove part"), next);
  section_->select(section_->selected());
}

void LightPathView::move(int places) {
  workspace::Workspace next = document().workspace();
  const int from = section_->selected();
  const int to = from + places;
  if (to < 0 || to >= static_cast<int>(next.rig.elements.size())) {
    return;
  }
  std::swap(next.rig.elements[static_cast<std::size_t>(from)],
            next.rig.elements[static_cast<std::size_t>(to)]);
  document().edit(tr("Move part"), next);
  section_->select(to);
}

void LightPathView::add(const optics::Element& generic) {
  workspace::Workspace next = document().workspace();
  auto& elements = next.rig.elements;
  if (elements.size() >= optics::kMostElements) {
    return;  // no file could hold more
  }
  optics::Element part = generic;
  part.id = optics::fresh_id(next.rig);
  // Film goes to the front, everything else before the camera.
  std::size_t place = elements.size();
  if (std::holds_alternative<optics::FrontFilm>(part.part)) {
    place = 0;
  } else if (const auto camera = optics::find_fitted<optics::Camera>(next.rig)) {
    place = *camera;
  }
  elements.insert(elements.begin() + static_cast<std::ptrdiff_t>(place), part);
  document().edit(tr("Add part"), next);
  section_->select(static_cast<int>(place));
}

}  // namespace solarchon::app
