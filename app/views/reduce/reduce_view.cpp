// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/reduce/reduce_view.h"

#include <QDragEnterEvent>
#include <QFileDialog>
#include <QFileInfo>
#include <QHBoxLayout>
#include <QMimeData>
#include <QShortcut>
#include <QVBoxLayout>

#include "app/model/file_words.h"
#include "app/model/phrases.h"
#include "app/shell/file_kinds.h"
#include "app/shell/frame_image.h"
#include "app/shell/picture_with_panel.h"
#include "app/shell/theme.h"
#include "solarchon/image/rectangle.h"

namespace solarchon::app {

using Stage = Reduction::Stage;

ReduceView::ReduceView(const Models& models, QWidget* parent)
    : View(models, parent),
      reduction_(models.reduction),
      movie_(models.movie),
      clips_(new QComboBox(this)),
      picture_(new SwipePicture(this)),
      ribbon_(new ClipRibbon(this)),
      movie_picture_(new MoviePicture(this)),
      clip_page_(new QWidget(this)),
      panel_(new RecipePanel(reduction_, clip_page_)),
      day_(new QPushButton(tr("Whole day"), clip_page_)),
      panels_(new PanelsPanel(reduction_, this)),
      finish_(new FinishPanel(reduction_, this)),
      movie_panel_(new MoviePanel(movie_, this)),
      out_(new OutPanel(reduction_, this)) {
  setAcceptDrops(true);
  picture_->setObjectName(QStringLiteral("reduce-picture"));
  ribbon_->setObjectName(QStringLiteral("reduce-ribbon"));
  movie_picture_->setObjectName(QStringLiteral("movie-picture"));
  QWidget* side = build_side();
  auto* row = new PictureWithPanel(build_pictures(), side, 344, this);
  row->setContentsMargins(16, 12, 16, 12);
  connect(&reduction_, &Reduction::changed, this, &ReduceView::follow);
  connect(&reduction_, &Reduction::frameChanged, this, [this] {
    ribbon_->show_chosen(reduction_.chosen());
    show_before();
  });
  connect(&movie_, &Movie::changed, this, &ReduceView::follow);
  connect(&movie_, &Movie::drawn, this, &ReduceView::follow_movie);
  connect(ribbon_, &ClipRibbon::chosen, &reduction_, &Reduction::choose);
  connect(ribbon_, &ClipRibbon::levelled, this, [this](double level) {
    reduce::KeepWish wish = reduction_.keep();
    wish.level = level;
    reduction_.set_keep(wish);
  });
  connect(panel_, &RecipePanel::asksForDark, this, &ReduceView::ask_dark);
  connect(panel_, &RecipePanel::asksForFlat, this, &ReduceView::ask_flat);
  connect(panels_, &PanelsPanel::asksForMore, this, &ReduceView::ask_open);
  connect(finish_, &FinishPanel::asksForPicture, this, &ReduceView::ask_open);
  connect(finish_, &FinishPanel::asksForProminences, this, &ReduceView::ask_prominences);
  connect(movie_panel_, &MoviePanel::asksForMore, this, &ReduceView::ask_open);
  connect(movie_panel_, &MoviePanel::asksWhereTo, this, &ReduceView::make_or_stop);
  connect(out_, &OutPanel::asksToSave, this, &ReduceView::ask_save);
  connect(pages_, &Pages::turned, this, &ReduceView::follow);
  set_keys();
}

void ReduceView::set_keys() {
  const auto key = [this](const QKeySequence& keys, auto act) {
    auto* shortcut = new QShortcut(keys, this);
    connect(shortcut, &QShortcut::activated, this, act);
  };
  key(Qt::Key_F8, [this] { ask_open(); });
  key(Qt::Key_F9, [this] { make_or_stop(); });
  key(Qt::Key_F10, [this] { reduction_.keep_product(); });
  key(Qt::SHIFT | Qt::Key_F10, [this] { ask_save(); });
}

void ReduceView::make_or_stop() {
  if (pages_->shown() != movie_panel_) {
    out_->make_or_stop();
  } else if (movie_.stage() == Movie::Stage::kWriting) {
    movie_.stop();
  } else {
    ask_where_to();
  }
}

QWidget* ReduceView::build_pictures() {
  auto* box = new QWidget(this);
  auto* column = new QVBoxLayout(box);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(8);
  column->addWidget(pages_, 0, Qt::AlignLeft);
  column->addWidget(picture_, 1);
  column->addWidget(movie_picture_, 1);
  column->addWidget(ribbon_);
  ribbon_->setSizePolicy(QSizePolicy::Preferred, QSizePolicy::Fixed);
  return box;
}

QWidget* ReduceView::build_side() {
  auto* side = new QWidget(this);
  auto* column = new QVBoxLayout(side);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(8);
  pages_ = new Pages(
      {{"reduce", tr("Clip"), tr("One picture from the good frames of a clip"), build_clip_page()},
       {"reduce-panels", tr("Panels"), tr("Pictures that overlap become one"), panels_},
       {"reduce-finish", tr("Finish"),
        tr("What makes a picture fit to be shown: detail, way up, colour, caption"), finish_},
       {"reduce-movie", tr("Movie"), tr("Pictures one after another: an hour, or a week"),
        movie_panel_}},
      *column, this);
  column->addWidget(out_);
  return side;
}

QWidget* ReduceView::build_clip_page() {
  auto* column = new QVBoxLayout(clip_page_);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(8);
  auto* row = new QHBoxLayout;
  row->setSpacing(8);
  clips_->setObjectName(QStringLiteral("reduce-clips"));
  clips_->setAccessibleName(tr("Recorded clips"));
  clips_->setToolTip(tr("Clips below the data folder, the newest first"));
  clips_->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
  clips_->setMinimumContentsLength(8);
  connect(clips_, &QComboBox::activated, this, [this](int index) {
    const QString file = clips_->itemData(index).toString();
    if (!file.isEmpty()) {
      reduction_.open(file);
    }
  });
  auto* open = new QPushButton(tr("Open\u2026"), clip_page_);
  open->setObjectName(QStringLiteral("reduce-open"));
  open->setToolTip(tr("A FITS cube, a video or a series of pictures; you can drop one here (F8)"));
  connect(open, &QPushButton::clicked, this, &ReduceView::ask_open);
  day_->setObjectName(QStringLiteral("reduce-day"));
  day_->setToolTip(
      tr("Makes every clip of that day by this recipe, and keeps the pictures in the log"));
  connect(day_, &QPushButton::clicked, &reduction_, &Reduction::make_day);
  for (QPushButton* button : {open, day_}) {
    button->setProperty("narrow", true);
  }
  column->addWidget(clips_);  // by itself: it tells time and light path
  row->addWidget(open, 1);
  row->addWidget(day_, 1);
  column->addLayout(row);
  column->addWidget(panel_, 1);
  return clip_page_;
}

void ReduceView::list_clips() {
  const QSignalBlocker quiet(clips_);
  const QString current = QString::fromStdString(reduction_.clip().string());
  clips_->clear();
  clips_->addItem(tr("Choose a clip"));
  if (!current.isEmpty()) {
    clips_->addItem(words_of_file(current), current);
  }
  for (const QString& file : reduction_.recorded()) {
    if (file != current) {
      clips_->addItem(words_of_file(file), file);
    }
  }
  clips_->setCurrentIndex(current.isEmpty() ? 0 : 1);
  clips_->setEnabled(clips_->count() > 1);
}

Readiness ReduceView::readiness() const {
  if (reduction_.stage() == Stage::kFailed) {
    return {safety::Severity::kCheck, reduction_.problem()};
  }
  return {};
}

bool ReduceView::settled() const { return reduction_.settled() && movie_.settled(); }

void ReduceView::open_file(const QString& file) { take_files({file}); }

void ReduceView::take_files(const QStringList& files) {
  if (files.isEmpty()) {
    return;
  }
  if (pages_->shown() == panels_) {
    panels_->add(files);
  } else if (pages_->shown() == finish_) {
    reduction_.take(files.front());
  } else if (pages_->shown() == movie_panel_) {
    movie_.add(files);
  } else {
    reduction_.open(files.front());
  }
}

void ReduceView::restyle() {
  shown_grading_.reset();
  shown_product_.reset();
  View::restyle();
}

void ReduceView::show_clip() {
  if (shown_grading_ == reduction_.grading() && shown_grading_) {
    return;
  }
  shown_grading_ = reduction_.grading();
  std::vector<ClipRibbon::Small> smalls;
  for (const Reduction::Small& small : reduction_.smalls()) {
    for (const reduce::GradedFrame& frame : shown_grading_->frames) {
      if (frame.frame == small.frame) {
        const QRect whole(0, 0, small.picture.width, small.picture.height);
        smalls.push_back(
            {frame.seconds, quick_image(small.picture, whole, whole.width(), Tone::kPlain)});
      }
    }
  }
  ribbon_->show_clip(shown_grading_, std::move(smalls));
}

void ReduceView::show_before() {
  const auto& frame = reduction_.shown();
  const auto& grading = reduction_.grading();
  if (const auto& unfinished = reduction_.unfinished();
      unfinished && reduction_.source() != Reduction::Source::kClip) {
    // Where it was turned or made smaller, the two cannot be laid on one another.
    const auto& made = reduction_.product()->picture;
    const bool alike = made.width == unfinished->width && made.height == unfinished->height;
    picture_->show_before(alike ? picture_image(*unfinished) : QImage(),
                          alike ? tr("Before") : QString());
    return;
  }
  const auto& product = reduction_.product();
  const bool turned = product && product->finished && product->finished->oriented;
  if (!frame || !grading || reduction_.chosen() < 0 || turned) {
    picture_->show_before({}, {});
    return;
  }
  const reduce::GradedFrame& graded =
      grading->frames[static_cast<std::size_t>(reduction_.chosen())];
  QRect part(0, 0, frame->width, frame->height);
  if (product) {
    // The same part of the Sun as the stack shows.
    const image::Rectangle& of = product->facts.part;
    part = QRect(of.left_px, of.top_px, of.width_px, of.height_px)
               .translated(static_cast<int>(std::lround(graded.right_px)),
                           static_cast<int>(std::lround(graded.down_px)))
               .intersected(part);
  }
  constexpr int kWhole = 20000;
  picture_->show_before(quick_image(*frame, part, kWhole, Tone::kPlain),
                        graded.alike
                            ? tr("Frame %1, sharpness %2\u00d7")
                                  .arg(number(graded.frame + 1, 0), number(graded.sharpness, 2))
                            : tr("Frame %1 shows something else").arg(number(graded.frame + 1, 0)));
}

/// What a product is, for its corner. The screen tints also what is grey.
static QString product_words(const reduce::Product& product) {
  const QString what =
      product.mosaic       ? ReduceView::tr("Mosaic of %n panel(s)", nullptr,
                                            static_cast<int>(product.mosaic->panels.size()))
      : product.frames > 0 ? ReduceView::tr("Stack of %n frame(s)", nullptr, product.frames)
                           : ReduceView::tr("Picture");
  QStringList words{what};
  if (product.restored) {
    words << ReduceView::tr("restored");
  }
  if (product.finished) {
    words << ReduceView::tr("finished");
  }
  if (product.picture.info.simulated) {
    words << ReduceView::tr("simulated");
  }
  words << ReduceView::tr("false colour");
  return words.join(QStringLiteral(", "));
}

void ReduceView::show_after() {
  if (shown_product_ == reduction_.product() && shown_product_) {
    return;
  }
  shown_product_ = reduction_.product();
  if (!shown_product_) {
    picture_->show_after({}, {});
    return;
  }
  picture_->show_after(picture_image(shown_product_->picture), product_words(*shown_product_));
  show_before();
}

void ReduceView::follow() {
  const bool movie = pages_->shown() == movie_panel_;
  picture_->setVisible(!movie);
  movie_picture_->setVisible(movie);
  out_->setVisible(!movie);
  show_clip();
  ribbon_->show_kept(reduction_.kept());
  const reduce::KeepWish wish = reduction_.keep();
  ribbon_->show_level(reduction_.grading() && wish.rule == reduce::KeepRule::kAboveLevel
                          ? std::optional(wish.level)
                          : std::nullopt);
  ribbon_->show_chosen(reduction_.chosen());
  ribbon_->setVisible(!movie && reduction_.grading() != nullptr);
  show_after();
  if (!reduction_.product()) {
    show_before();
  }
  picture_->show_empty(
      reduction_.stage() == Stage::kGrading ? tr("The clip is being graded")
      : pages_->shown() == panels_ ? tr("Add panels, or drop them here: they become one picture")
      : pages_->shown() == finish_
          ? tr("Make a picture of a clip or of panels, or open one, or drop it here")
          : tr("Choose a recorded clip, open one, or drop it here: it becomes a picture"));
  panel_->follow();
  panels_->follow();
  finish_->follow();
  movie_panel_->follow();
  out_->follow();
  const qsizetype clips = reduction_.clips_of_day().size();
  day_->setEnabled(clips > 1 && reduction_.ready() && reduction_.stage() != Stage::kStacking);
  if (movie) {
    follow_movie();
  }
  if (const QString current = QString::fromStdString(reduction_.clip().string());
      clips_->currentData().toString() != current) {
    list_clips();
  }
}

QString ReduceView::movie_words(int picture) const {
  const auto& facts = movie_.facts();
  if (!facts) {
    return {};
  }
  const QString place = tr("%1 of %2").arg(number(picture + 1, 0), number(facts->shown, 0));
  const auto at = static_cast<std::size_t>(picture);
  return at < facts->times.size()
             ? place + QStringLiteral(" \u00b7 ") + utc_minutes(facts->times[at])
             : place;
}

void ReduceView::follow_movie() {
  movie_picture_->show_movie(movie_.smalls(), movie_.wishes().rate_hz, movie_.wishes().back,
                             [this](int picture) { return movie_words(picture); });
  movie_picture_->show_empty(
      movie_.stage() == Movie::Stage::kLooking
          ? tr("Every picture is looked at")
          : tr("Add two pictures or more, or drop them here: they become a movie"));
}

void ReduceView::showEvent(QShowEvent* event) {
  list_clips();
  View::showEvent(event);
}

QString ReduceView::ask_file(const QString& title) {
  return QFileDialog::getOpenFileName(this, title, QString::fromStdString(frame().data().string()),
                                      clip_filter());
}

QStringList ReduceView::ask_pictures(const QString& title) {
  return QFileDialog::getOpenFileNames(this, title, QString::fromStdString(frame().data().string()),
                                       picture_filter());
}

void ReduceView::ask_open() {
  if (pages_->shown() == panels_) {
    take_files(ask_pictures(tr("Add panels")));
  } else if (pages_->shown() == movie_panel_) {
    take_files(ask_pictures(tr("Add pictures")));
  } else if (const QString file =
                 ask_file(pages_->shown() == finish_ ? tr("Open a picture") : tr("Open a clip"));
             !file.isEmpty()) {
    take_files({file});
  }
}

void ReduceView::ask_prominences() {
  // Asked for again, they are put away.
  reduction_.set_prominences(reduction_.recipe().prominences.empty() ? ask_file(tr("Prominences"))
                                                                     : QString());
}

void ReduceView::ask_where_to() {
  if (!movie_.facts()) {
    return;
  }
  const QString file =
      QFileDialog::getSaveFileName(this, tr("Write the movie"), QStringLiteral("sun.mp4"),
                                   tr("For all players (*.mp4);;Without loss (*.mkv)"));
  movie_.make(file);
}

void ReduceView::ask_dark() {
  // Asked for again, it is put away.
  reduction_.set_dark(reduction_.recipe().dark.empty() ? ask_file(tr("Dark")) : QString());
}

void ReduceView::ask_flat() {
  reduction_.set_flat(reduction_.recipe().flat.empty() ? ask_file(tr("Flat")) : QString());
}

void ReduceView::ask_save() {
  if (!reduction_.product()) {
    return;
  }
  const reduce::Recipe& recipe = reduction_.recipe();
  const std::filesystem::path& source = !recipe.clip.empty()     ? recipe.clip
                                        : !recipe.panels.empty() ? recipe.panels.front()
                                                                 : recipe.picture;
  const reduce::Product& product = *reduction_.product();
  const QString name = QString::fromStdString(source.stem().string()) +
                       (product.finished   ? QStringLiteral("-finished.png")
                        : product.restored ? QStringLiteral("-sharp.fits")
                        : product.mosaic   ? QStringLiteral("-mosaic.fits")
                                           : QStringLiteral("-stack.fits"));
  const QString file = QFileDialog::getSaveFileName(
      this, tr("Export"), name, tr("All digits (*.fits);;Picture (*.png *.tiff)"));
  if (!file.isEmpty()) {
    reduction_.save_to(file);
  }
}

void ReduceView::dragEnterEvent(QDragEnterEvent* event) {
  if (event->mimeData()->hasUrls()) {
    event->acceptProposedAction();
  }
}

void ReduceView::dropEvent(QDropEvent* event) {
  QStringList files;
  for (const QUrl& url : event->mimeData()->urls()) {
    if (url.isLocalFile()) {
      files << url.toLocalFile();
    }
  }
  take_files(files);
}

}  // namespace solarchon::app
