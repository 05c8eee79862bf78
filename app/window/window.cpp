// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/window/window.h"

#include <QAction>
#include <QActionGroup>
#include <QApplication>
#include <QCloseEvent>
#include <QDateTime>
#include <QDeadlineTimer>
#include <QDragEnterEvent>
#include <QFileDialog>
#include <QHBoxLayout>
#include <QMenu>
#include <QMimeData>
#include <QScrollBar>
#include <QTimer>
#include <QVBoxLayout>
#include <algorithm>
#include <chrono>

#include "app/model/part_words.h"
#include "app/model/phrases.h"
#include "app/shell/language.h"
#include "app/shell/plain_tips.h"
#include "app/views/day/day_view.h"
#include "app/window/desktop_notifier.h"
#include "solarchon/base/file.h"
#include "solarchon/optics/rig_file.h"
#include "solarchon/workspace/demo.h"

namespace solarchon::app {

namespace {

constexpr int kTextStep = 10;  // per cent

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

/// The settings' file; none where something stands there that is no plain file and could hold the
/// start.
QString settings_file(const std::filesystem::path& data) {
  const auto file = data / "settings.ini";
  std::error_code ignored;
  const auto status = std::filesystem::status(file, ignored);
  const bool usable = !std::filesystem::exists(status) || std::filesystem::is_regular_file(status);
  return usable ? QString::fromStdString(file.string()) : QString();
}

}  // namespace

Window::Window(const Options& options, QWidget* parent)
    : QMainWindow(parent),
      data_(options.data),
      settings_(std::make_unique<QSettings>(settings_file(options.data), QSettings::IniFormat)),
      keep_state_(options.screenshot.isEmpty() && options.tour.isEmpty()),
      demo_(options.demo),
      file_(options.file) {
  setWindowTitle(QStringLiteral("Solarchon"));
  speak(options.language.isEmpty() ? settings_->value("language").toString() : options.language);
  setAcceptDrops(true);
  show_all_tips_plain();
  Theme::set_text_percent(
      options.text_percent.value_or(settings_->value("text_percent", 100).toInt()));
  Theme::apply(options.look.value_or(
      settings_->value("look", "noon").toString() == "indoors" ? Look::kIndoors : Look::kNoon));
  load_document(options);
  trouble_ = std::make_unique<ErrorReporter>();
  log_queue_ = std::make_unique<LogQueue>(workspace::log_file(data_), *trouble_);
  files_ = std::make_unique<OutsideFiles>(*trouble_);
  log_ = std::make_unique<Log>(*log_queue_, *trouble_);
  kit_ = std::make_unique<Kit>(*log_queue_, *files_, document_->undo(), *trouble_);
  frame_ = std::make_unique<CurrentFrame>(data_, *log_queue_, *log_, *trouble_);
  clips_ = std::make_unique<LogFiler>(data_, *document_, *log_queue_, *log_, *trouble_);
  camera_ = std::make_unique<LiveCamera>(data_, *document_, *trouble_);
  folder_ = std::make_unique<FolderWatch>(*document_, *clips_, *trouble_);
  reduction_ = std::make_unique<Reduction>(data_, *document_, *clips_, *trouble_);
  // What was kept last is what Measure shows next.
  connect(reduction_.get(), &Reduction::keptAs, frame_.get(), &CurrentFrame::open_next);
  movie_ = std::make_unique<Movie>(data_, *document_, *clips_);
  series_ = std::make_unique<SeriesController>(data_, *document_, *camera_, *trouble_);
  disk_ = std::make_unique<DiskSpeed>(data_, *settings_, *trouble_);
  learning_ = std::make_unique<Learning>(*document_, *log_);
  runbook_ = std::make_unique<Runbook>(*document_, *log_);
  if (keep_state_) {
    if (const auto kept = runbook_->keep_in(data_ / "runbook.json");
        !kept && start_problem_.isEmpty()) {
      start_problem_ = left_as_it_is(kept.error());
    }
  }
  mount_ = std::make_unique<Mount>(*document_, *runbook_);
  alarms_ = std::make_unique<Alarms>(*document_, DesktopNotifier(options.ringer));
  build();
  restore(options);
  connect(document_.get(), &Document::changed, this, &Window::follow);
  connect(document_.get(), &Document::clockMoved, this, &Window::follow);
  connect(runbook_.get(), &Runbook::changed, this, &Window::show_timers);
  connect(runbook_.get(), &Runbook::secondPassed, this, &Window::show_timers);
  connect(frame_.get(), &CurrentFrame::shownChanged, this, &Window::follow);
  connect(frame_.get(), &CurrentFrame::filed, runbook_.get(), &Runbook::file_with);
  connect(mount_.get(), &Mount::changed, camera_.get(),
          [this] { camera_->ride_on(mount_->seen_from()); });
  connect(camera_.get(), &LiveCamera::clipRecorded, clips_.get(),
          qOverload<const std::filesystem::path&>(&LogFiler::file));
  connect(clips_.get(), &LogFiler::filed, runbook_.get(), &Runbook::file_with);
  connect(frame_.get(), &CurrentFrame::demoFilled, log_.get(), &Log::reload);
  connect(frame_.get(), &CurrentFrame::demoFilled, kit_.get(), &Kit::reload);
  if (!start_problem_.isEmpty()) {
    notice_->tell(start_problem_);
  } else if (!options.swept.empty()) {
    QStringList names;
    for (const std::filesystem::path& path : options.swept) {
      names << QString::fromStdString(path.lexically_relative(data_).string());
    }
    notice_->hint(tr("Cleaned up unfinished files of an earlier session: %1")
                      .arg(names.join(QStringLiteral(", "))));
  } else if (first_start_) {
    notice_->hint(tr("Welcome. Start with your place: choose Site on the top left."));
  }
  if (document_->live() && !Document::is_likely({QDateTime::currentMSecsSinceEpoch()})) {
    notice_->tell(
        tr("The computer\u2019s clock says %1. Set it before you rely on any figure for now.")
            .arg(QDateTime::currentDateTimeUtc().date().toString(Qt::ISODate)));
  }
  // The log and the last frame come after the first picture is on screen.
  connect(log_.get(), &Log::sessionsChanged, this, &Window::begin_with_log,
          Qt::SingleShotConnection);
  QTimer::singleShot(0, log_.get(), &Log::reload);
  if (keep_state_) {
    QTimer::singleShot(0, clips_.get(), &LogFiler::file_strays);
  }
  QTimer::singleShot(0, kit_.get(), &Kit::reload);
  follow();
}

void Window::begin_with_log() {
  begun_ = true;
  if (demo_ && log_->readable() && !workspace::demo_is_whole(log_->sessions())) {
    // Then the log is read again, and has a latest frame.
    connect(log_.get(), &Log::sessionsChanged, this, &Window::show_first, Qt::SingleShotConnection);
    frame_->fill_with_demo();
  } else {
    show_first();
  }
}

void Window::show_first() {
  if (file_.isEmpty()) {
    show_latest_frame();
  } else {
    open_file(file_);
  }
}

void Window::come_forward() {
  setWindowState(windowState() & ~Qt::WindowMinimized);
  show();
  raise();
  activateWindow();
}

Models Window::models() {
  return {*document_, *log_,    *kit_,   *frame_, *camera_,  *folder_, *reduction_,
          *movie_,    *series_, *files_, *disk_,  *runbook_, *mount_,  *trouble_};
}

Window::~Window() {
  // Views look at the models until they are gone. Taken out first they would be styled anew.
  delete centralWidget();
}

QString Window::left_as_it_is(const base::Error& error) {
  return tr("%1. It was left as it is; changes are not kept until it is mended or moved away.")
      .arg(error_text(error));
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
      start_problem_ = left_as_it_is(read.error());
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
  // Everything is made where it will stand: what changes its parent is styled anew with all in it.
  ground_ = new QWidget(this);
  ground_->setObjectName(QStringLiteral("ground"));
  build_views();
  build_layout();
  build_actions();
  connect(document_.get(), &Document::saveFailed, notice_, &Notice::tell);
  connect(runbook_.get(), &Runbook::saveFailed, notice_, &Notice::tell);
  connect(trouble_.get(), &ErrorReporter::told, notice_, &Notice::tell);
}

void Window::choose_language(const QString& language) {
  if (keep_state_) {
    settings_->setValue("language", language);
  }
  speak(language);
  put_up_anew();
}

void Window::choose_text_size(int percent) {
  Theme::set_text_percent(percent);
  if (keep_state_) {
    settings_->setValue("text_percent", Theme::text_percent());
  }
  Theme::apply(Theme::look());
  put_up_anew();
}

void Window::put_up_anew() {
  // Everything that is to be kept is in the models.
  const QString where = place();
  delete centralWidget();
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
  const auto add_size = [&](const QString& words, int percent, const QList<QKeySequence>& keys) {
    QAction* action = menu->addAction(words);
    action->setShortcuts(keys);
    addAction(action);  // the keys work wherever the focus is
    action->setEnabled(percent != Theme::text_percent() && percent >= Theme::kLeastPercent &&
                       percent <= Theme::kMostPercent);
    connect(
        action, &QAction::triggered, this, [this, percent] { choose_text_size(percent); },
        Qt::QueuedConnection);
  };
  add_size(tr("Larger text"), Theme::text_percent() + kTextStep,
           {QKeySequence(Qt::CTRL | Qt::Key_Plus), QKeySequence(Qt::CTRL | Qt::Key_Equal)});
  add_size(tr("Smaller text"), Theme::text_percent() - kTextStep,
           {QKeySequence(Qt::CTRL | Qt::Key_Minus)});
  add_size(tr("Usual text size"), 100, {QKeySequence(Qt::CTRL | Qt::Key_0)});
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
  stack_ = new QStackedWidget(ground_);
  rail_area_ = new QScrollArea(ground_);
  rail_ = new Rail(rail_area_->viewport());
  notice_ = new Notice(ground_);
  places_ = places();
  for (const Place& place : places_) {
    auto* scroll = new QScrollArea(stack_);  // what does not fit scrolls
    View* view = place.make(models(), scroll->viewport());
    views_[place.id] = view;
    rail_->add(place.id, place.name, place.glyph);
    scroll->setFrameShape(QFrame::NoFrame);
    scroll->setWidgetResizable(true);
    scroll->setFocusPolicy(Qt::NoFocus);
    scroll->setWidget(view);
    stack_->addWidget(scroll);
    connect(view, &View::asksFor, this, [this](const QString& wanted) { show_place(wanted); });
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
  strip_ = new ContextStrip(*document_, *kit_, ground_);
  ribbon_ = new DayRibbon(*document_, ground_);
  connect(strip_, &ContextStrip::verdictAsked, this,
          [this] { show_place(QStringLiteral("light-path")); });
  connect(strip_, &ContextStrip::hinted, notice_, &Notice::hint);
  rail_area_->setFrameShape(QFrame::NoFrame);
  rail_area_->setWidgetResizable(true);
  rail_area_->setFocusPolicy(Qt::NoFocus);
  rail_area_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  rail_area_->setWidget(rail_);
  // As wide as the rail, and its scroll bar where it needs one.
  const auto fit = [this](int /*low*/, int high) {
    const int bar = high > 0 ? rail_area_->verticalScrollBar()->sizeHint().width() : 0;
    rail_area_->setFixedWidth(rail_->sizeHint().width() + bar);
  };
  connect(rail_area_->verticalScrollBar(), &QScrollBar::rangeChanged, this, fit);
  fit(0, 0);
  auto* column = new QVBoxLayout(ground_);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(0);
  column->addWidget(strip_);
  column->addWidget(notice_);
  auto* middle = new QHBoxLayout;
  middle->setSpacing(0);
  middle->addWidget(rail_area_);
  middle->addWidget(stack_, 1);
  column->addLayout(middle, 1);
  column->addWidget(ribbon_);
  setCentralWidget(ground_);
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
  rail_->focus_current();
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

int Window::place_of(const QString& id) const {
  const auto found = std::find_if(places_.begin(), places_.end(),
                                  [&](const Place& place) { return place.id == id; });
  return static_cast<int>(found - places_.begin());
}

void Window::show_view(const QString& id) {
  current_ = id;
  stack_->setCurrentIndex(place_of(id));
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

bool Window::complete() const { return settled() && views_.at(current_)->complete(); }

bool Window::settled() const {
  return begun_ && !frame_->worker().busy() && log_queue_->settled() && files_->settled() &&
         learning_->settled() && views_.at(current_)->settled();
}

void Window::show_timers() {
  QStringList lines;
  for (const Runbook::Timer& timer : runbook_->timers()) {
    const bool over = sky::in_seconds(timer.left) <= 0.0;
    lines << timer_name(timer.step) << (over ? tr("over") : time_left(timer.left));
  }
  rail_->show_timers(lines);
}

void Window::follow() {
  show_timers();
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
  const QString file = QFileDialog::getSaveFileName(this, tr("Save the light path"),
                                                    QStringLiteral("light-path.rig.json"),
                                                    tr("Light paths (*.json)"));
  if (file.isEmpty()) {
    return;
  }
  if (const auto written = optics::write_rig(document_->workspace().rig, file.toStdString());
      !written) {
    notice_->tell(error_text(written.error()));
  }
}

void Window::show_latest_frame() {
  if (!log_->sessions().empty()) {
    log_->look_up(log_->sessions().front().id, this, [this](const log::Session& session) {
      if (!session.frames.empty()) {
        frame_->open_filed(session.frames.back().file);
      }
    });
  }
}

bool Window::notes_are_kept() {
  for (const auto& [id, view] : views_) {
    view->finish();
  }
  constexpr std::chrono::seconds kPatience{3};
  const QDeadlineTimer until(kPatience);
  while (log_->has_unkept_notes() && !log_queue_->settled() && !until.hasExpired()) {
    QApplication::processEvents(QEventLoop::ExcludeUserInputEvents | QEventLoop::WaitForMoreEvents,
                                static_cast<int>(until.remainingTime()));
  }
  return !log_->has_unkept_notes();
}

void Window::closeEvent(QCloseEvent* event) {
  if (!notes_are_kept() && !warned_of_notes_) {
    warned_of_notes_ = true;
    notice_->tell(
        tr("Your notes could not be written to the log yet. Copy them, or close once "
           "more to leave without them."));
    show_place(QStringLiteral("log"));
    event->ignore();
    return;
  }
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
  if (is_site(head)) {
    kit_->sites().import_file(file);
    strip_->show_sites();
    return;
  }
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
