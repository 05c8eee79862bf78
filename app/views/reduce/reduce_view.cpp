// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/reduce/reduce_view.h"

#include <QDragEnterEvent>
#include <QFileDialog>
#include <QFileInfo>
#include <QHBoxLayout>
#include <QMimeData>
#include <QShortcut>
#include <QVBoxLayout>

#include "app/model/phrases.h"
#include "app/shell/beside.h"
#include "app/shell/frame_image.h"
#include "app/shell/theme.h"

namespace solarchon::app {

using Stage = Reduction::Stage;

ReduceView::ReduceView(const Models& models, QWidget* parent)
    : View(models, parent),
      reduction_(models.reduction),
      clips_(new QComboBox(this)),
      picture_(new SwipePicture(this)),
      ribbon_(new ClipRibbon(this)),
      panel_(new RecipePanel(reduction_, this)) {
  setAcceptDrops(true);
  picture_->setObjectName(QStringLiteral("reduce-picture"));
  ribbon_->setObjectName(QStringLiteral("reduce-ribbon"));
  auto* row = new Beside(build_pictures(), build_side(), 344, this);
  row->setContentsMargins(16, 12, 16, 12);
  connect(&reduction_, &Reduction::changed, this, &ReduceView::follow);
  connect(&reduction_, &Reduction::frameChanged, this, [this] {
    ribbon_->show_chosen(reduction_.chosen());
    show_before();
  });
  connect(ribbon_, &ClipRibbon::chosen, &reduction_, &Reduction::choose);
  connect(ribbon_, &ClipRibbon::levelled, this, [this](double level) {
    reduce::KeepWish wish = reduction_.keep();
    wish.level = level;
    reduction_.set_keep(wish);
  });
  connect(panel_, &RecipePanel::asksForDark, this, &ReduceView::ask_dark);
  connect(panel_, &RecipePanel::asksForFlat, this, &ReduceView::ask_flat);
  connect(panel_, &RecipePanel::asksToSave, this, &ReduceView::ask_save);
  const auto key = [this](const QKeySequence& keys, auto act) {
    auto* shortcut = new QShortcut(keys, this);
    shortcut->setContext(Qt::WidgetWithChildrenShortcut);
    connect(shortcut, &QShortcut::activated, this, act);
  };
  key(Qt::Key_F8, [this] { ask_open(); });
  key(Qt::Key_F9, [this] { panel_->make_or_stop(); });
  key(Qt::Key_F10, [this] { reduction_.keep_product(); });
  key(Qt::SHIFT | Qt::Key_F10, [this] { ask_save(); });
}

QWidget* ReduceView::build_pictures() {
  auto* box = new QWidget(this);
  auto* column = new QVBoxLayout(box);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(8);
  column->addWidget(picture_, 1);
  column->addWidget(ribbon_);
  ribbon_->setSizePolicy(QSizePolicy::Preferred, QSizePolicy::Fixed);
  return box;
}

QWidget* ReduceView::build_side() {
  auto* side = new QWidget(this);
  auto* column = new QVBoxLayout(side);
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
  auto* open = new QPushButton(tr("Open\u2026"), side);
  open->setObjectName(QStringLiteral("reduce-open"));
  open->setToolTip(tr("A FITS cube, a video or a series of pictures; you can drop one here (F8)"));
  connect(open, &QPushButton::clicked, this, &ReduceView::ask_open);
  row->addWidget(clips_, 1);
  row->addWidget(open);
  column->addLayout(row);
  column->addWidget(panel_, 1);
  return side;
}

void ReduceView::list_clips() {
  const QSignalBlocker quiet(clips_);
  const QString current = QString::fromStdString(reduction_.clip().string());
  clips_->clear();
  clips_->addItem(tr("Choose a clip"));
  if (!current.isEmpty()) {
    clips_->addItem(QFileInfo(current).fileName(), current);
  }
  for (const QString& file : reduction_.recorded()) {
    if (file != current) {
      clips_->addItem(QFileInfo(file).fileName(), file);
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

bool ReduceView::settled() const { return reduction_.settled(); }

void ReduceView::open_file(const QString& file) { reduction_.open(file); }

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
  if (!frame || !grading || reduction_.chosen() < 0) {
    picture_->show_before({}, {});
    return;
  }
  const reduce::GradedFrame& graded =
      grading->frames[static_cast<std::size_t>(reduction_.chosen())];
  QRect part(0, 0, frame->width, frame->height);
  if (const auto& product = reduction_.product()) {
    // The same part of the Sun as the stack shows.
    const frames::Part& of = product->facts.part;
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

void ReduceView::show_after() {
  if (shown_product_ == reduction_.product() && shown_product_) {
    return;
  }
  shown_product_ = reduction_.product();
  if (!shown_product_) {
    picture_->show_after({}, {});
    return;
  }
  const frames::Frame frame = frames::frame_of(shown_product_->picture);
  constexpr int kWhole = 20000;
  picture_->show_after(
      quick_image(frame, QRect(0, 0, frame.width, frame.height), kWhole, Tone::kPlain),
      shown_product_->restored
          ? tr("Stack of %n frame(s), restored, false colour", nullptr, shown_product_->frames)
          : tr("Stack of %n frame(s), false colour", nullptr, shown_product_->frames));
  show_before();
}

void ReduceView::follow() {
  show_clip();
  ribbon_->show_kept(reduction_.kept());
  const reduce::KeepWish wish = reduction_.keep();
  ribbon_->show_level(reduction_.grading() && wish.rule == reduce::KeepRule::kAboveLevel
                          ? std::optional(wish.level)
                          : std::nullopt);
  ribbon_->show_chosen(reduction_.chosen());
  ribbon_->setVisible(reduction_.grading() != nullptr);
  show_after();
  if (!reduction_.product()) {
    show_before();
  }
  picture_->show_empty(
      reduction_.stage() == Stage::kGrading
          ? tr("The clip is being graded")
          : tr("Choose a recorded clip, open one, or drop it here: it becomes a picture"));
  panel_->follow();
  if (const QString current = QString::fromStdString(reduction_.clip().string());
      clips_->currentData().toString() != current) {
    list_clips();
  }
}

void ReduceView::showEvent(QShowEvent* event) {
  list_clips();
  View::showEvent(event);
}

QString ReduceView::ask_file(const QString& title) {
  return QFileDialog::getOpenFileName(
      this, title, QString::fromStdString(frame().data().string()),
      tr("Clips and pictures (*.fits *.fit *.fts *.mkv *.avi *.mp4 *.mov *.png *.tif *.tiff);;All "
         "files (*)"));
}

void ReduceView::ask_open() {
  if (const QString file = ask_file(tr("Open a clip")); !file.isEmpty()) {
    reduction_.open(file);
  }
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
  const QString name = QString::fromStdString(reduction_.clip().stem().string()) +
                       (reduction_.product()->restored ? QStringLiteral("-sharp.fits")
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
  const auto urls = event->mimeData()->urls();
  if (!urls.isEmpty() && urls.front().isLocalFile()) {
    reduction_.open(urls.front().toLocalFile());
  }
}

}  // namespace solarchon::app
