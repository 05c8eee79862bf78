// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/window.h"

#include <QAction>
#include <QApplication>
#include <QCloseEvent>
#include <QDateTime>
#include <QDragEnterEvent>
#include <QFile>
#include <QFileDialog>
#include <QFileInfo>
#include <QHBoxLayout>
#include <QMimeData>
#include <QTimer>
#include <QVBoxLayout>

#include "app/shell/part_words.h"
#include "app/shell/phrases.h"
#include "app/shell/plain_tips.h"
#include "app/views/capture/capture_view.h"
#include "app/views/day/day_view.h"
#include "app/views/light_path/light_path_view.h"
#include "app/views/log/log_view.h"
#include "app/views/match/match_view.h"
#include "app/views/measure/measure_view.h"
#include "solarchon/base/file.h"
#include "solarchon/optics/rig_file.h"
#include "solarchon/words/words.h"
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
  setAcceptDrops(true);
  show_all_tips_plain();
  Theme::apply(options.look.value_or(
      settings_->value("look", "noon").toString() == "indoors" ? Look::kIndoors : Look::kNoon));
  load_document(options);
  learning_ = std::make_unique<Learning>(*document_, *records_);
  alarms_ = std::make_unique<Alarms>(*document_, DesktopTeller(options.ringer));
  build_views();
  build_layout();
  build_actions();
  restore(options);
  connect(document_.get(), &Document::changed, this, &Window::follow);
  connect(document_.get(), &Document::saveFailed, notice_, &Notice::tell);
  connect(records_.get(), &Records::shownChanged, this, &Window::follow);
  connect(records_.get(), &Records::failed, notice_, &Notice::tell);
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
      start_problem_ = QString::fromStdString(words::sentence(scenario.error()));
    }
  }
  first_start_ = !options.demo && !std::filesystem::exists(file, ignored);
  if (std::filesystem::exists(file, ignored)) {
    if (const auto read = workspace::read_workspace(file)) {
      loaded = *read;
    } else {
      start_problem_ = tr("%1. It was left as it is; changes are not kept until it is mended or "
                          "moved away.")
                           .arg(QString::fromStdString(words::sentence(read.error())));
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

void Window::build_views() {
  stack_ = new QStackedWidget(this);
  rail_ = new Rail(this);
  notice_ = new Notice(this);
  auto* measure = new MeasureView(*document_, *records_, stack_);
  connect(measure, &MeasureView::failed, notice_, &Notice::tell);
  auto* day = new DayView(*document_, *records_, stack_);
  connect(&day->plan_page(), &PlanPage::alarmsToggled, this, [this](bool on) {
    alarms_->set_on(on);
    if (keep_state_) {
      settings_->setValue("alarms", on);
    }
  });
  day->plan_page().show_alarms(keep_state_ && settings_->value("alarms", false).toBool());
  views_ = {new LightPathView(*document_, *records_, stack_),
            day,
            new MatchView(*document_, *records_, stack_),
            new CaptureView(*document_, *records_, stack_),
            measure,
            new LogView(*document_, *records_, stack_)};
  for (View* view : views_) {
    rail_->add(view->name(), view->glyph());
    stack_->addWidget(view);
    connect(view, &View::asksFor, this, [this](const QString& name) { show_place(name); });
  }
  connect(rail_, &Rail::chosen, this, &Window::show_view);
}

void Window::build_layout() {
  strip_ = new ContextStrip(*document_, this);
  ribbon_ = new DayRibbon(*document_, this);
  connect(strip_, &ContextStrip::verdictAsked, this, [this] { show_view(0); });
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
  for (int i = 0; i < static_cast<int>(views_.size()); ++i) {
    add(views_[static_cast<std::size_t>(i)]->name(), QKeySequence(tr("Ctrl+%1").arg(i + 1)),
        [this, i] { show_view(i); });
  }
  add(tr("Undo"), QKeySequence::Undo, [this] { document_->undo().undo(); });
  add(tr("Redo"), QKeySequence::Redo, [this] { document_->undo().redo(); });
  add(tr("Open a light path"), QKeySequence::Open, [this] { open_rig(); });
  add(tr("Save the light path"), QKeySequence::Save, [this] { save_rig(); });
  add(tr("Noon or indoors"), QKeySequence(tr("Ctrl+T")),
      [this] { set_look(Theme::look() == Look::kNoon ? Look::kIndoors : Look::kNoon); });
  add(tr("Day ribbon"), QKeySequence(tr("Ctrl+D")), [this] { ribbon_->setFocus(); });
  add(tr("Quit"), QKeySequence::Quit, [this] { close(); });
}

void Window::restore(const Options& options) {
  resize(options.size);
  if (keep_state_ && !options.size_given) {
    restoreGeometry(settings_->value("geometry").toByteArray());
  }
  const QString wanted = options.view.isEmpty()
                             ? settings_->value("view", view_names().front()).toString()
                             : options.view;
  if (!show_place(wanted)) {
    show_view(0);
  }
}

namespace {

constexpr int kDayView = 1;
/// The pages of the day, in the order of DayView::Page.
const QStringList& day_pages() {
  static const QStringList kNames{"day", "day-plan", "day-ready", "day-year"};
  return kNames;
}

}  // namespace

DayView& Window::day_view() const { return *qobject_cast<DayView*>(views_.at(kDayView)); }

bool Window::show_place(const QString& name) {
  if (const auto page = day_pages().indexOf(name); page >= 0) {
    day_view().show_page(static_cast<int>(page));
    show_view(kDayView);
    return true;
  }
  show_view(static_cast<int>(view_names().indexOf(name)));
  return view_names().contains(name);
}

QString Window::place() const {
  return current() == kDayView ? day_pages().at(day_view().page()) : view_names().at(current());
}

void Window::show_view(int index) {
  if (index < 0 || index >= static_cast<int>(views_.size())) {
    return;
  }
  stack_->setCurrentIndex(index);
  rail_->show_current(index);
}

void Window::set_look(Look look) {
  Theme::apply(look);
  for (View* view : views_) {
    view->restyle();
  }
  follow();
  update();
}

bool Window::settled() const {
  return begun_ && !records_->worker().busy() && records_->settled() && learning_->settled() &&
         views_.at(static_cast<std::size_t>(stack_->currentIndex()))->settled();
}

void Window::follow() {
  for (std::size_t i = 0; i < views_.size(); ++i) {
    rail_->show_readiness(static_cast<int>(i), views_[i]->readiness());
  }
}

void Window::open_rig() {
  const QString file = QFileDialog::getOpenFileName(this, tr("Open a light path"), QString(),
                                                    tr("Light paths (*.json);;All files (*)"));
  if (!file.isEmpty()) {
    open_rig_file(file);
  }
}

void Window::open_rig_file(const QString& file) {
  records_->read_outside(file, optics::kMostBytes,
                         [this, file](const base::Result<std::string>& text) {
                           auto rig = text.and_then([&](const std::string& read) {
                                            return base::parse_json(read, file.toStdString());
                                          })
                                          .and_then(optics::rig_from_json);
                           return [this, rig = std::move(rig)] {
                             if (!rig) {
                               notice_->tell(QString::fromStdString(words::sentence(rig.error())));
                               return;
                             }
                             workspace::Workspace next = document_->workspace();
                             next.rig = *rig;
                             document_->edit(tr("Open light path"), next);
                           };
                         });
}

void Window::save_rig() {
  const QString file = QFileDialog::getSaveFileName(
      this, tr("Save the light path"), QStringLiteral("rig.json"), tr("Light paths (*.json)"));
  if (file.isEmpty()) {
    return;
  }
  if (const auto written = optics::write_rig(document_->workspace().rig, file.toStdString());
      !written) {
    notice_->tell(QString::fromStdString(words::sentence(written.error())));
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
  const QString ending = QFileInfo(file).suffix().toLower();
  // Tables and JSON say in their first lines what they are.
  constexpr qint64 kHeadBytes = 400;
  QByteArray head;
  if (QFile text(file); (ending == "json" || ending == "csv" || ending == "txt") &&
                        QFileInfo(file).isFile() && text.open(QIODevice::ReadOnly)) {
    head = text.read(kHeadBytes);
  }
  if (ending == "ics") {
    show_place(QStringLiteral("day-plan"));
    day_view().plan_page().open_calendar_file(file);
  } else if (head.contains("solarchon-forecast") || head.contains("cloud_percent")) {
    show_place(QStringLiteral("day-plan"));
    day_view().plan_page().open_forecast_file(file);
  } else if (ending == "csv" || ending == "txt") {
    show_place(QStringLiteral("day"));
    day_view().sky_page().open_horizon_file(file);
  } else if (ending == "json") {
    open_rig_file(file);
  } else {
    records_->open_frame(file);
    show_view(static_cast<int>(view_names().indexOf(QStringLiteral("measure"))));
  }
}

}  // namespace solarchon::app
