// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/window/window.h"

#include <QAction>
#include <QActionGroup>
#include <QApplication>
#include <QCloseEvent>
#include <QDateTime>
#include <QDragEnterEvent>
#include <QFileDialog>
#include <QHBoxLayout>
#include <QMenu>
#include <QMimeData>
#include <QTimer>
#include <QVBoxLayout>

#include "app/model/part_words.h"
#include "app/model/phrases.h"
#include "app/shell/language.h"
#include "app/shell/plain_tips.h"
#include "app/views/day/day_view.h"
#include "app/window/desktop_teller.h"
#include "solarchon/base/file.h"
#include "solarchon/optics/rig_file.h"
#include "solarchon/workspace/demo.h"

namespace solarchon::app {

namespace {

/// A first workspace: a place to be named, and a light path to be built up.
workspace::Workspace starter_workspace() {
  workspace::Workspace fresh;
  fresh.site.name = QObject::tr("My site").toStdString();
  fresh.site.time_zone = QTimeZone::systemTimeZoneId().toStdString();
  fresh.rig.name = QObject::tr("My light path").toStdString();
  for (const char* kind : {"front-film", "telescope", "camera"}) {
    optics::Element element;
    element.part = *optics::part_of_kind(kind);
    element.name = kind_name(element.part).toStdString();
    element.id = optics::fresh_id(fresh.rig);
    fresh.rig.elements.push_back(std::move(element));
  }
  return fresh;
}

}  // namespace

Window::Window(const Options& options, QWidget* parent)
    : QMainWindow(parent),
      data_(options.data),
      records_(std::make_unique<Records>(options.data)),
      settings_(std::make_unique<QSettings>(
          QString::fromStdString((options.data / "settings.ini").string()), QSettings::IniFormat)),
      keep_state_(options.screenshot.isEmpty() && options.tour.isEmpty()),
      demo_(options.demo) {
  setWindowTitle(QStringLiteral("Solarchon"));
  speak(options.language.isEmpty() ? settings_->value("language").toString() : options.language);
  setAcceptDrops(true);
  show_all_tips_plain();
  Theme::apply(options.look.value_or(
      settings_->value("look", "noon").toString() == "indoors" ? Look::kIndoors : Look::kNoon));
  load_document(options);
  learning_ = std::make_unique<Learning>(*document_, *records_);
  alarms_ = std::make_unique<Alarms>(*document_, DesktopTeller(options.ringer));
  build();
  restore(options);
  connect(document_.get(), &Document::changed, this, &Window::follow);
  connect(records_.get(), &Records::shownChanged, this, &Window::follow);
  if (!start_problem_.isEmpty()) {
    notice_->tell(start_problem_);
  } else if (first_start_) {
    notice_->hint(tr("Welcome. Start with your place: choose Site on the top left."));
  }
  if (document_->live() && !Document::is_likely({QDateTime::currentMSecsSinceEpoch()})) {
    notice_->tell(
        tr("The computer\u2019s clock says %1. Set it before you rely on any figure for now.")
            .arg(QDateTime::currentDateTimeUtc().date().toString(Qt::ISODate)));
  }
  // The log and the last frame come after the first picture is on screen.
  connect(records_.get(), &Records::sessionsChanged, this, &Window::begin_with_log,
          Qt::SingleShotConnection);
  QTimer::singleShot(0, records_.get(), &Records::reload);
  follow();
}

void Window::begin_with_log() {
  begun_ = true;
  if (demo_ && records_->readable() && !workspace::demo_is_whole(records_->sessions())) {
    records_->fill_with_demo();
  } else {
    show_latest_frame();
  }
}

void Window::come_forward() {
  setWindowState(windowState() & ~Qt::WindowMinimized);
  show();
  raise();
  activateWindow();
}

Window::~Window() {
  // Views look at document and records until they are gone.
  delete takeCentralWidget();
}

void Window::load_document(const Options& options) {
  const auto file = workspace::workspace_file(data_);
  std::error_code ignored;
  workspace::Workspace loaded = starter_workspace();
  sky::UtcTime moment{};
  bool live = true;
  bool keep = true;
  if (options.demo) {
    if (const auto scenario = workspace::demo_scenario()) {
      loaded = scenario->workspace;
      moment = scenario->now;
      live = false;
    } else {
      start_problem_ = error_text(scenario.error());
    }
  }
  first_start_ = !options.demo && !std::filesystem::exists(file, ignored);
  if (std::filesystem::exists(file, ignored)) {
    if (const auto read = workspace::read_workspace(file)) {
      loaded = *read;
    } else {
      start_problem_ = tr("%1. It was left as it is; changes are not kept until it is mended or "
                          "moved away.")
                           .arg(error_text(read.error()));
      keep = false;
    }
  }
  if (options.time) {
    moment = *options.time;
    live = false;
  }
  document_ = std::make_unique<Document>(loaded, moment, live);
  if (keep && keep_state_) {
    document_->keep_in(file);
  }
}

void Window::build() {
  build_views();
  build_layout();
  build_actions();
  connect(document_.get(), &Document::saveFailed, notice_, &Notice::tell);
  connect(records_.get(), &Records::failed, notice_, &Notice::tell);
}

void Window::choose_language(const QString& language) {
  if (keep_state_) {
    settings_->setValue("language", language);
  }
  speak(language);
  // Everything that is to be kept is in the models: the window is put up anew in its words.
  const QString where = place();
  delete takeCentralWidget();
  qDeleteAll(actions());
  views_.clear();
  build();
  show_place(where);
  follow();
}

QMenu* Window::make_look_menu() {
  auto* menu = new QMenu(rail_);
  const auto add_choice = [menu](QActionGroup* group, const QString& words, bool chosen, auto act) {
    QAction* action = menu->addAction(words);
    action->setCheckable(true);
    action->setChecked(chosen);
    group->addAction(action);
    QObject::connect(action, &QAction::triggered, menu, act, Qt::QueuedConnection);
  };
  auto* looks = new QActionGroup(menu);
  add_choice(looks, tr("Noon: light, for daylight"), Theme::look() == Look::kNoon,
             [this] { set_look(Look::kNoon); });
  add_choice(looks, tr("Indoors: dark"), Theme::look() == Look::kIndoors,
             [this] { set_look(Look::kIndoors); });
  menu->addSeparator();
  auto* tongues = new QActionGroup(menu);
  for (const QString& language : languages()) {
    add_choice(tongues, own_name(language), spoken_language() == language,
               [this, language] { choose_language(language); });
  }
  // Ctrl+T changes the look too.
  connect(menu, &QMenu::aboutToShow, looks,
          [looks] { looks->actions().at(Theme::look() == Look::kNoon ? 0 : 1)->setChecked(true); });
  return menu;
}

void Window::build_views() {
  stack_ = new QStackedWidget(this);
  rail_ = new Rail(this);
  notice_ = new Notice(this);
  places_ = places();
  for (const Place& place : places_) {
    View* view = place.make(*document_, *records_, stack_);
    views_[place.id] = view;
    rail_->add(place.id, place.name, place.glyph);
    stack_->addWidget(view);
    connect(view, &View::asksFor, this, [this](const QString& wanted) { show_place(wanted); });
    connect(view, &View::failed, notice_, &Notice::tell);
  }
  auto* plan = &qobject_cast<DayView*>(views_.at("day"))->plan_page();
  connect(plan, &PlanPage::alarmsToggled, this, [this](bool on) {
    alarms_->set_on(on);
    if (keep_state_) {
      settings_->setValue("alarms", on);
    }
  });
  plan->show_alarms(keep_state_ && settings_->value("alarms", false).toBool());
  connect(rail_, &Rail::chosen, this, &Window::show_place);
  rail_->set_menu(make_look_menu());
}

void Window::build_layout() {
  strip_ = new ContextStrip(*document_, this);
  ribbon_ = new DayRibbon(*document_, this);
  connect(strip_, &ContextStrip::verdictAsked, this,
          [this] { show_place(QStringLiteral("light-path")); });
  connect(strip_, &ContextStrip::openRigAsked, this, &Window::open_rig);
  connect(strip_, &ContextStrip::saveRigAsked, this, &Window::save_rig);
  auto* middle = new QHBoxLayout;
  middle->setSpacing(0);
  middle->addWidget(rail_);
  middle->addWidget(stack_, 1);
  auto* ground = new QWidget(this);
  ground->setObjectName(QStringLiteral("ground"));
  auto* column = new QVBoxLayout(ground);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(0);
  column->addWidget(strip_);
  column->addWidget(notice_);
  column->addLayout(middle, 1);
  column->addWidget(ribbon_);
  setCentralWidget(ground);
  setMinimumSize(960, 640);
}

void Window::build_actions() {
  const auto add = [this](const QString& words, const QKeySequence& keys, auto act) {
    auto* action = new QAction(words, this);
    action->setShortcut(keys);
    connect(action, &QAction::triggered, this, act);
    addAction(action);
  };
  int key = Qt::Key_1;
  for (const Place& place : places_) {
    add(place.name, QKeySequence(Qt::CTRL | static_cast<Qt::Key>(key++)),
        [this, id = place.id] { show_view(id); });
  }
  add(tr("Undo"), QKeySequence::Undo, [this] { document_->undo().undo(); });
  add(tr("Redo"), QKeySequence::Redo, [this] { document_->undo().redo(); });
  add(tr("Open a light path"), QKeySequence::Open, [this] { open_rig(); });
  add(tr("Save the light path"), QKeySequence::Save, [this] { save_rig(); });
  add(tr("Noon or indoors"), QKeySequence(Qt::CTRL | Qt::Key_T),
      [this] { set_look(Theme::look() == Look::kNoon ? Look::kIndoors : Look::kNoon); });
  add(tr("Day ribbon"), QKeySequence(Qt::CTRL | Qt::Key_D), [this] { ribbon_->setFocus(); });
  add(tr("Quit"), QKeySequence::Quit, [this] { close(); });
}

void Window::restore(const Options& options) {
  resize(options.size);
  if (keep_state_ && !options.size_given) {
    restoreGeometry(settings_->value("geometry").toByteArray());
  }
  const QString wanted =
      options.view.isEmpty() ? settings_->value("view").toString() : options.view;
  if (!show_place(wanted)) {
    show_view(places_.front().id);
  }
}

bool Window::show_place(const QString& id) {
  for (const Place& place : places_) {
    if (place.pages.contains(id)) {
      views_.at(place.id)->show_page(id);
    }
    if (place.id == id || place.pages.contains(id)) {
      show_view(place.id);
      return true;
    }
  }
  return false;
}

QString Window::place() const {
  const QString page = views_.at(current_)->page();
  return page.isEmpty() ? current_ : page;
}

void Window::show_view(const QString& id) {
  current_ = id;
  stack_->setCurrentWidget(views_.at(id));
  rail_->show_current(id);
}

void Window::set_look(Look look) {
  Theme::apply(look);
  for (const auto& [id, view] : views_) {
    view->restyle();
  }
  follow();
  update();
}

bool Window::settled() const {
  return begun_ && !records_->worker().busy() && records_->settled() && learning_->settled() &&
         views_.at(current_)->settled();
}

void Window::follow() {
  for (const auto& [id, view] : views_) {
    rail_->show_readiness(id, view->readiness());
  }
}

void Window::open_rig() {
  const QString file = QFileDialog::getOpenFileName(this, tr("Open a light path"), QString(),
                                                    tr("Light paths (*.json);;All files (*)"));
  if (!file.isEmpty()) {
    open_file(file);
  }
}

void Window::save_rig() {
  const QString file = QFileDialog::getSaveFileName(
      this, tr("Save the light path"), QStringLiteral("rig.json"), tr("Light paths (*.json)"));
  if (file.isEmpty()) {
    return;
  }
  if (const auto written = optics::write_rig(document_->workspace().rig, file.toStdString());
      !written) {
    notice_->tell(error_text(written.error()));
  }
}

void Window::show_latest_frame() {
  if (records_->sessions().empty()) {
    return;
  }
  const auto session = records_->session(records_->sessions().front().id);
  if (session && !session->frames.empty()) {
    records_->open_frame(QString::fromStdString((data_ / session->frames.back().file).string()));
  }
}

void Window::closeEvent(QCloseEvent* event) {
  if (keep_state_) {
    document_->save();
    settings_->setValue("geometry", saveGeometry());
    settings_->setValue("view", place());
    settings_->setValue("look", Theme::look() == Look::kNoon ? "noon" : "indoors");
  }
  QMainWindow::closeEvent(event);
}

void Window::dragEnterEvent(QDragEnterEvent* event) {
  if (event->mimeData()->hasUrls()) {
    event->acceptProposedAction();
  }
}

void Window::dropEvent(QDropEvent* event) {
  const auto urls = event->mimeData()->urls();
  if (urls.isEmpty() || !urls.front().isLocalFile()) {
    return;
  }
  open_file(urls.front().toLocalFile());
}

void Window::open_file(const QString& file) {
  const FileHead head = head_of(file);
  for (const Place& place : places_) {
    for (const TakenFile& taken : place.files) {
      if (taken.takes(head)) {
        show_place(taken.place);
        views_.at(place.id)->open_file(file);
        return;
      }
    }
  }
}

}  // namespace solarchon::app
