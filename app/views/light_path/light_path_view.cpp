// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/light_path/light_path_view.h"

#include <QFileDialog>
#include <QHBoxLayout>
#include <QMenu>
#include <QScrollArea>
#include <QScrollBar>
#include <QShortcut>
#include <QSplitter>
#include <QVBoxLayout>
#include <utility>

#include "app/model/outside_files.h"
#include "app/model/phrases.h"
#include "app/shell/elided_edit.h"
#include "app/shell/picture_with_panel.h"
#include "app/shell/plain_label.h"
#include "app/shell/theme.h"
#include "app/views/light_path/train_figures.h"
#include "solarchon/base/json.h"
#include "solarchon/optics/catalogue.h"
#include "solarchon/optics/rig_file.h"
#include "solarchon/words/parts.h"

namespace solarchon::app {

namespace {

constexpr int kPanel = 316;          // pixels
constexpr int kSuggestAfterMs = 60;  // once the hand rests

QScrollArea* scrolled(QWidget* inner, QWidget* parent) {
  auto* scroll = new QScrollArea(parent);
  scroll->setWidgetResizable(true);
  scroll->setFrameShape(QFrame::NoFrame);
  scroll->setFocusPolicy(Qt::NoFocus);
  scroll->setWidget(inner);
  return scroll;
}

std::vector<optics::Element> generic_parts() {
  const auto& catalogue = optics::shipped_catalogue();
  return catalogue ? words::named(*catalogue, voice()) : std::vector<optics::Element>();
}

}  // namespace

LightPathView::LightPathView(const Models& models, QWidget* parent)
    : View(models, parent),
      generic_parts_(generic_parts()),
      section_(new Section(true, this)),
      second_(new Section(false, this)),
      figures_(new Figures(4, this)),
      findings_(new FindingsList(this)),
      sheet_(new PartSheet(models, this)),
      chooser_(new PartChooser(this)),
      toggle_(new QPushButton(this)),
      remove_(new QPushButton(tr("Remove"), this)) {
  figures_->wrap();
  auto* picture = new QWidget(this);
  auto* left = new QVBoxLayout(picture);
  left->setContentsMargins(0, 0, 0, 0);
  left->setSpacing(8);
  left->addWidget(build_tools());
  left->addWidget(build_drawings(), 1);
  left->addWidget(figures_);
  beside_ = new PictureWithPanel(picture, build_side(), kPanel, this);
  beside_->setContentsMargins(16, 12, 16, 12);
  connect(section_, &Section::selectionChanged, this, [this] { follow(); });
  connect(section_, &Section::toggleAsked, this, &LightPathView::toggle);
  connect(section_, &Section::removeAsked, this, &LightPathView::remove);
  connect(section_, &Section::moveAsked, this, &LightPathView::move);
  connect(section_, &Section::partDropped, this, &LightPathView::put_dropped);
  connect(chooser_, &PartChooser::chosen, this, [this](const optics::Element& part) {
    put(part, optics::fitting_place(this->document().workspace().rig, part));
  });
  connect(chooser_, &PartChooser::closed, this, &LightPathView::done_choosing);
  connect(chooser_, &PartChooser::dropFromKitAsked, &kit(), &Kit::drop);
  connect(&kit(), &Kit::partsChanged, this, [this] {
    chooser_->show_parts(this->kit().parts(), generic_parts_);
    suggested_for_ = {};
    suggest_soon_.start();
  });
  connect(findings_, &FindingsList::suggestionChosen, this, &LightPathView::take_suggestion);
  suggest_soon_.setSingleShot(true);
  suggest_soon_.setInterval(kSuggestAfterMs);
  connect(&suggest_soon_, &QTimer::timeout, this, &LightPathView::suggest);
  chooser_->show_parts(kit().parts(), generic_parts_);
}

QToolButton* LightPathView::build_path_menu(QWidget* parent) {
  auto* button = new QToolButton(parent);
  button->setText(tr("Path"));
  button->setObjectName(QStringLiteral("path-menu"));
  button->setToolTip(tr("Start from a usual light path, and your kit's files"));
  button->setPopupMode(QToolButton::InstantPopup);
  auto* menu = new QMenu(button);
  if (const auto& trains = optics::usual_trains()) {
    for (const optics::Rig& train : *trains) {
      const optics::Rig path = words::named(train, voice());
      menu->addAction(tr("Start from: %1").arg(text(path.name)), this,
                      [this, path] { adopt_rig(tr("Start from a usual path"), path); });
    }
  }
  menu->addAction(tr("Start empty"), this, [this] {
    adopt_rig(tr("Start empty"), {tr("My light path").toStdString(), {}});
  });
  menu->addSeparator();
  compare_ = menu->addAction(tr("Compare with a copy"), this, &LightPathView::compare);
  compare_->setObjectName(QStringLiteral("compare"));
  compare_->setCheckable(true);
  menu->addAction(tr("Open beside\u2026"), this, &LightPathView::open_compared);
  menu->addSeparator();
  menu->addAction(tr("Add a file to my kit\u2026"), this, &LightPathView::import_kit);
  menu->addAction(tr("Save my kit as\u2026"), this, &LightPathView::export_kit);
  button->setMenu(menu);
  return button;
}

QWidget* LightPathView::build_tools() {
  auto* tools = new QWidget(this);
  auto* row = new QHBoxLayout(tools);
  row->setContentsMargins(0, 0, 0, 0);
  row->setSpacing(6);
  rig_name_ = new ElidedEdit(tools);
  rig_name_->setObjectName(QStringLiteral("rig-name"));
  rig_name_->setAccessibleName(tr("Name of the light path"));
  rig_name_->setToolTip(tr("What you call this light path"));
  rig_name_->setMinimumWidth(Theme::px(60));
  connect(rig_name_, &QLineEdit::editingFinished, this, [this] { rename(rig_name_->text()); });
  auto* add_part = new QPushButton(tr("Add part"), tools);
  add_part->setObjectName(QStringLiteral("choose-parts"));
  add_part->setToolTip(tr("From your kit and the list of generic parts (Ctrl+E)"));
  connect(add_part, &QPushButton::clicked, this, &LightPathView::choose_parts);
  connect(new QShortcut(QKeySequence(Qt::CTRL | Qt::Key_E), this), &QShortcut::activated, this,
          &LightPathView::choose_parts);
  toggle_->setObjectName(QStringLiteral("toggle-part"));
  toggle_->setToolTip(tr("Lays the part aside without forgetting it, or fits it again (Space)"));
  remove_->setToolTip(tr("Removes the part from this light path (Delete)"));
  auto* sunward = new QPushButton(tr("\u2190"), tools);
  auto* rearward = new QPushButton(tr("\u2192"), tools);
  sunward->setAccessibleName(tr("Move towards the Sun"));
  rearward->setAccessibleName(tr("Move towards the end"));
  sunward->setToolTip(tr("Moves the part one place towards the Sun (Ctrl+Left)"));
  rearward->setToolTip(tr("Moves the part one place towards the end (Ctrl+Right)"));
  connect(toggle_, &QPushButton::clicked, this, &LightPathView::toggle);
  connect(remove_, &QPushButton::clicked, this, &LightPathView::remove);
  connect(sunward, &QPushButton::clicked, this,
          [this] { move(section_->selected(), section_->selected() - 1); });
  connect(rearward, &QPushButton::clicked, this,
          [this] { move(section_->selected(), section_->selected() + 1); });
  row->addWidget(rig_name_, 1);
  row->addWidget(build_path_menu(tools));
  for (QWidget* tool : {static_cast<QWidget*>(add_part), static_cast<QWidget*>(toggle_),
                        static_cast<QWidget*>(sunward), static_cast<QWidget*>(rearward),
                        static_cast<QWidget*>(remove_)}) {
    row->addWidget(tool);
  }
  rules_ = new RulesMenu(tools);
  connect(rules_, &RulesMenu::changed, this, &LightPathView::set_practice);
  row->addWidget(rules_);
  return tools;
}

QWidget* LightPathView::build_drawings() {
  auto* drawings = new QWidget(this);
  auto* column = new QVBoxLayout(drawings);
  column->setContentsMargins(0, 0, 0, 0);
  column->addWidget(section_, 1);
  comparison_ = new QWidget(drawings);
  auto* second = new QVBoxLayout(comparison_);
  second->setContentsMargins(0, 0, 0, 0);
  auto* head = new QHBoxLayout;
  compared_name_ = new PlainLabel(comparison_);
  compared_name_->setFont(Theme::font(TextSize::kMedium, true));
  auto* swap = new QPushButton(tr("Swap"), comparison_);
  swap->setObjectName(QStringLiteral("swap-compared"));
  swap->setToolTip(tr("Takes the lower path into hand; the upper one is laid beneath"));
  connect(swap, &QPushButton::clicked, this, &LightPathView::swap_compared);
  head->addWidget(compared_name_, 1);
  auto* close = new QPushButton(tr("Close"), comparison_);
  close->setObjectName(QStringLiteral("close-compared"));
  close->setToolTip(tr("Puts the lower path away"));
  connect(close, &QPushButton::clicked, this, &LightPathView::compare);
  head->addWidget(swap);
  head->addWidget(close);
  second->addLayout(head);
  second->addWidget(second_, 1);
  column->addWidget(comparison_);
  drawings_ = scrolled(drawings, this);
  return drawings_;
}

QWidget* LightPathView::build_side() {
  side_ = new QStackedWidget(this);
  auto* judged = new QSplitter(Qt::Vertical, side_);
  judged->setChildrenCollapsible(false);
  judged->addWidget(findings_);
  auto* holder = new QWidget;
  auto* inner = new QVBoxLayout(holder);
  inner->setContentsMargins(0, 4, 8, 0);
  auto* caption = new PlainLabel(tr("The chosen part"), holder);
  caption->setFont(Theme::font(TextSize::kSmall));
  caption->setProperty("role", "faint");
  inner->addWidget(caption);
  inner->addWidget(sheet_);
  inner->addStretch(1);
  QScrollArea* scroll = scrolled(holder, judged);
  scroll->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  judged->addWidget(scroll);
  judged->setStretchFactor(0, 1);
  judged->setSizes({320, 230});
  judged->setMinimumHeight(Theme::px(360));
  side_->addWidget(judged);
  side_->addWidget(chooser_);
  return side_;
}

void LightPathView::resizeEvent(QResizeEvent* event) {
  View::resizeEvent(event);
  constexpr int kNarrow = 1000;
  constexpr int kNarrowPanel = 284;
  beside_->set_panel(width() < Theme::px(kNarrow) ? kNarrowPanel : kPanel);
}

Readiness LightPathView::readiness() const {
  const safety::Assessment& safety = document().answers().safety;
  return {safety.verdict, safety.findings.empty() ? QString() : why_of(safety.findings.front())};
}

void LightPathView::restyle() {
  findings_->forget();
  follow();
}

void LightPathView::follow() {
  const workspace::Workspace& workspace = document().workspace();
  const workspace::Answers& answers = document().answers();
  section_->show_train(workspace.rig, answers.train, answers.safety.findings);
  sheet_->show_element(section_->selected());
  if (!rig_name_->hasFocus()) {
    rig_name_->setText(text(workspace.rig.name));
    rig_name_->home(false);
  }
  const bool any = !workspace.rig.elements.empty();
  const bool fitted =
      any && workspace.rig.elements[static_cast<std::size_t>(section_->selected())].fitted;
  toggle_->setText(fitted ? tr("Take off") : tr("Put back"));
  toggle_->setEnabled(any);
  remove_->setEnabled(any);
  rules_->show_practice(workspace.practice);
  show_figures();
  if (!(workspace.rig == suggested_for_) || !(workspace.practice == suggested_practice_)) {
    suggestions_.clear();  // they spoke of another path
    suggest_soon_.start();
  }
  findings_->show_judgement(answers.safety, answers.misfits, suggestions_, workspace.rig);
}

void LightPathView::show_figures() {
  const workspace::Workspace& workspace = document().workspace();
  const workspace::Answers& answers = document().answers();
  std::vector<Figures::Row> rows = train_figures(workspace.rig, answers.train, answers.exposure);
  const bool comparing = workspace.compared.has_value();
  std::optional<Section::Span> span;
  comparison_->setVisible(comparing);
  compare_->setChecked(comparing);
  if (comparing) {
    workspace::Workspace other = workspace;
    other.rig = *workspace.compared;
    const workspace::Answers second = workspace::answer(other, answers.time, answers.sun);
    second_->show_train(other.rig, second.train, second.safety.findings);
    const auto [upper_first, upper_last] = section_->own_span();
    const auto [lower_first, lower_last] = second_->own_span();
    span = {std::min(upper_first, lower_first), std::max(upper_last, lower_last)};
    compared_name_->setText(
        tr("Compared with: %1 (%2)").arg(text(other.rig.name), name_of(second.safety.verdict)));
    rows = compared_figures(rows, train_figures(other.rig, second.train, second.exposure));
  }
  // It scrolls along; what it is tall is the view's to scroll.
  if (const int tall = drawings_->widget()->minimumSizeHint().height(); tall != tall_) {
    tall_ = tall;
    drawings_->setMinimumHeight(tall + drawings_->horizontalScrollBar()->sizeHint().height());
  }
  section_->set_span(span);
  second_->set_span(span);
  if (comparing && rows.empty()) {
    rows.push_back({tr("Difference"), tr("none in any figure"), {}});
  }
  figures_->show_rows(rows);
}

void LightPathView::suggest() {
  const workspace::Workspace& workspace = document().workspace();
  const workspace::Answers& answers = document().answers();
  suggested_for_ = workspace.rig;
  suggested_practice_ = workspace.practice;
  suggestions_ = advise::suggest(
      workspace.rig,
      workspace::situation_of(workspace, answers.time, answers.sun.semidiameter_arcsec(),
                              answers.local.airmass),
      kit().parts(), generic_parts_);
  findings_->show_judgement(answers.safety, answers.misfits, suggestions_, workspace.rig);
}

void LightPathView::take_suggestion(int suggestion) {
  const auto place = static_cast<std::size_t>(suggestion);
  if (place < suggestions_.size()) {
    advise::Suggestion taken = suggestions_[place];
    for (optics::Element& part : taken.rig.elements) {  // one made to measure has no name yet
      part.name = words::name_of(part, voice());
    }
    adopt_rig(suggestion_words(taken, document().workspace().rig).section('\n', 0, 0), taken.rig);
  }
}

void LightPathView::choose_parts() {
  side_->setCurrentWidget(chooser_);
  chooser_->begin();
}

void LightPathView::done_choosing() {
  side_->setCurrentIndex(0);
  section_->setFocus();
}

void LightPathView::adopt_rig(const QString& what, const optics::Rig& rig) {
  workspace::Workspace next = document().workspace();
  next.rig = rig;
  document().edit(what, next);
}

void LightPathView::rename(const QString& name) {
  workspace::Workspace next = document().workspace();
  const std::string wanted = name.trimmed().toStdString();
  if (wanted.empty() || wanted == next.rig.name) {
    rig_name_->setText(text(next.rig.name));
    return;
  }
  next.rig.name = wanted;
  document().edit(tr("Rename light path"), next);
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

void LightPathView::move(int from, int to) {
  workspace::Workspace next = document().workspace();
  auto& elements = next.rig.elements;
  const int count = static_cast<int>(elements.size());
  if (from < 0 || from >= count || to < 0 || to >= count || from == to) {
    return;
  }
  const auto first = elements.begin();
  if (from < to) {
    std::rotate(first + from, first + from + 1, first + to + 1);
  } else {
    std::rotate(first + to, first + from, first + from + 1);
  }
  document().edit(tr("Move part"), next);
  section_->select(to);
}

void LightPathView::put(const optics::Element& part, std::size_t place) {
  workspace::Workspace next = document().workspace();
  auto& elements = next.rig.elements;
  if (elements.size() >= optics::kMostElements) {
    return;  // no file could hold more
  }
  optics::Element added = part;
  added.id = optics::fresh_id(next.rig);
  place = std::min(place, elements.size());
  elements.insert(elements.begin() + static_cast<std::ptrdiff_t>(place), added);
  document().edit(tr("Add part"), next);
  section_->select(static_cast<int>(place));
}

void LightPathView::put_dropped(const QByteArray& json, int place) {
  const auto part = base::parse_json(json.toStdString(), "part").and_then([](const auto& parsed) {
    return optics::element_from_json(parsed, "part");
  });
  if (part) {
    put(*part, static_cast<std::size_t>(std::max(0, place)));
  }
}

void LightPathView::compare() {
  workspace::Workspace next = document().workspace();
  if (next.compared) {
    next.compared.reset();
    document().edit(tr("Stop comparing"), next);
    return;
  }
  next.compared = next.rig;
  document().edit(tr("Compare"), next);
}

void LightPathView::swap_compared() {
  workspace::Workspace next = document().workspace();
  if (next.compared) {
    std::swap(next.rig, *next.compared);
    document().edit(tr("Swap light paths"), next);
  }
}

void LightPathView::open_compared() {
  const QString file = QFileDialog::getOpenFileName(this, tr("Open a light path beside this one"),
                                                    QString(), tr("Light paths (*.json)"));
  if (file.isEmpty()) {
    return;
  }
  read_rig(file, [this](const optics::Rig& rig) {
    workspace::Workspace next = document().workspace();
    next.compared = rig;
    document().edit(tr("Open beside"), next);
  });
}

void LightPathView::open_file(const QString& file) {
  read_rig(file, [this](const optics::Rig& rig) {
    workspace::Workspace next = document().workspace();
    next.rig = rig;
    document().edit(tr("Open light path"), next);
  });
}

void LightPathView::read_rig(const QString& file,
                             const std::function<void(const optics::Rig&)>& use) {
  models().files.read(this, file, optics::kMostBytes,
                      [this, file, use](const base::Result<std::string>& read) {
                        auto rig = read.and_then([&](const std::string& bytes) {
                                         return base::parse_json(bytes, file.toStdString());
                                       })
                                       .and_then(optics::rig_from_json);
                        return [this, use, rig = std::move(rig)] {
                          if (rig) {
                            use(*rig);
                          } else {
                            trouble().tell(rig.error());
                          }
                        };
                      });
}

void LightPathView::import_kit() {
  const QString file = QFileDialog::getOpenFileName(this, tr("Add a file to my kit"), QString(),
                                                    tr("Parts (*.json)"));
  if (!file.isEmpty()) {
    kit().import_file(file);
  }
}

void LightPathView::export_kit() {
  const QString file = QFileDialog::getSaveFileName(
      this, tr("Save my kit"), QStringLiteral("kit.json"), tr("Parts (*.json)"));
  if (!file.isEmpty()) {
    kit().export_to(file);
  }
}

void LightPathView::set_practice(const QString& what, const safety::Practice& practice) {
  workspace::Workspace next = document().workspace();
  next.practice = practice;
  document().edit(what, next);
}

}  // namespace solarchon::app
