// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/reduce/movie_panel.h"

#include <QFileInfo>
#include <QGridLayout>
#include <QHBoxLayout>
#include <QVBoxLayout>
#include <array>

#include "app/model/phrases.h"
#include "app/shell/plain_label.h"
#include "app/shell/switches.h"
#include "app/shell/theme.h"

namespace solarchon::app {

using reduce::AnimationWishes;
using reduce::Hold;
using MovieStage = Movie::Stage;

namespace {

constexpr base::Range kBetweenRange{0.0, 60.0};
constexpr base::Range kRateRange{0.1, 120.0};

}  // namespace

MoviePanel::MoviePanel(Movie& movie, QWidget* parent)
    : QWidget(parent),
      movie_(movie),
      list_(new FileList(QStringLiteral("movie-pictures"), tr("Pictures of the movie"),
                         tr("Add pictures\u2026"), this)),
      products_(new QPushButton(tr("Take the kept pictures"), this)),
      holds_(new QButtonGroup(this)),
      north_(tick_box(tr("North up"), "movie-north",
                      tr("Each disc is turned with solar north up, by its own orientation: days of "
                         "other camera angles do not jump"),
                      this)),
      still_(tick_box(tr("Still surface"), "movie-still",
                      tr("Takes the rotation out, each latitude by its own rate: what changes is "
                         "left"),
                      this)),
      even_(tick_box(tr("Even light"), "movie-even",
                     tr("The disc is equally bright in all pictures"), this)),
      back_(tick_box(tr("And back"), "movie-back", tr("Forward, and back again"), this)),
      stamp_(tick_box(tr("Date"), "movie-stamp", tr("Date and time in each picture"), this)),
      tint_(tick_box(tr("Colour"), "movie-tint",
                     tr("A false colour: red-orange where the pictures say hydrogen alpha, else "
                        "yellow-orange"),
                     this)),
      between_(new NumberField(tr("Pictures in between"), QString(), kBetweenRange, true, this)),
      rate_(new NumberField(tr("Pictures a second"), QString(), kRateRange, false, this)),
      words_(new PlainLabel(this)),
      bar_(new QProgressBar(this)),
      make_(new QPushButton(this)) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(6);
  column->addWidget(list_, 1);
  products_->setObjectName(QStringLiteral("movie-products"));
  products_->setProperty("narrow", true);
  products_->setMinimumHeight(Theme::px(32));
  products_->setToolTip(tr("All pictures that are kept below the data folder"));
  connect(products_, &QPushButton::clicked, this, [this] { movie_.add(movie_.products()); });
  column->addWidget(products_);
  column->addWidget(build_hold());
  column->addWidget(build_switches());
  column->addWidget(build_numbers());
  column->addWidget(build_out());
  connect(list_, &FileList::asksForMore, this, &MoviePanel::asksForMore);
  connect(list_, &FileList::removed, &movie_, &Movie::remove);
  connect(&movie_, &Movie::progressed, bar_,
          [this](double fraction) { bar_->setValue(static_cast<int>(kPercent * fraction)); });
}

QWidget* MoviePanel::build_hold() {
  auto* box = new QWidget(this);
  auto* column = new QVBoxLayout(box);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(2);
  column->addWidget(new PlainLabel(tr("What stands still from picture to picture"), box));
  auto* row = new QHBoxLayout;
  row->setSpacing(0);
  column->addLayout(row);
  struct Choice {
    Hold hold;
    const char* name;
    QString words;
    QString why;
  };
  const std::array choices{
      Choice{Hold::kDisc, "movie-hold-disc", tr("The disc"),
             tr("By its limb: centred and equally large in all")},
      Choice{Hold::kDetail, "movie-hold-detail", tr("Detail"),
             tr("By what the pictures show: a prominence, a spot")},
      Choice{Hold::kNothing, "movie-hold-nothing", tr("Nothing"), tr("As they were taken")}};
  for (const Choice& choice : choices) {
    QPushButton* button = switch_button(choice.words, choice.name, choice.why, box);
    button->setProperty("first", choice.hold == Hold::kDisc);
    holds_->addButton(button, static_cast<int>(choice.hold));
    row->addWidget(button, 1);
  }
  connect(holds_, &QButtonGroup::idClicked, this, [this](int id) {
    change([&](AnimationWishes& wishes) { wishes.hold = static_cast<Hold>(id); });
  });
  return box;
}

QWidget* MoviePanel::build_switches() {
  auto* box = new QWidget(this);
  auto* grid = new QGridLayout(box);
  grid->setContentsMargins(0, 0, 0, 0);
  grid->setSpacing(6);
  int place = 0;
  for (QCheckBox* box_of : {north_, still_, even_, back_, stamp_, tint_}) {
    grid->addWidget(box_of, place / 3, place % 3, Qt::AlignLeft);
    ++place;
  }
  connect(north_, &QCheckBox::clicked, this,
          [this](bool on) { change([&](AnimationWishes& wishes) { wishes.north_up = on; }); });
  connect(still_, &QCheckBox::clicked, this,
          [this](bool on) { change([&](AnimationWishes& wishes) { wishes.still_surface = on; }); });
  connect(even_, &QCheckBox::clicked, this,
          [this](bool on) { change([&](AnimationWishes& wishes) { wishes.even_light = on; }); });
  connect(back_, &QCheckBox::clicked, this,
          [this](bool on) { change([&](AnimationWishes& wishes) { wishes.back = on; }); });
  connect(stamp_, &QCheckBox::clicked, this, [this](bool on) { movie_.set_stamped(on); });
  connect(tint_, &QCheckBox::clicked, this, [this](bool on) {
    change([&](AnimationWishes& wishes) {
      wishes.tint = on ? movie_.usual_tint() : reduce::Tint::kNone;
    });
  });
  return box;
}

QWidget* MoviePanel::build_numbers() {
  auto* box = new QWidget(this);
  auto* column = new QVBoxLayout(box);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(6);
  between_->setObjectName(QStringLiteral("movie-between"));
  between_->setToolTip(
      tr("Pictures worked out between every two: the surface goes on with its rotation"));
  rate_->setObjectName(QStringLiteral("movie-rate"));
  rate_->setToolTip(tr("How fast it plays"));
  connect(between_, &NumberField::entered, this, [this](double value) {
    change([&](AnimationWishes& wishes) { wishes.between = static_cast<int>(value); });
  });
  connect(rate_, &NumberField::entered, this, [this](double value) {
    change([&](AnimationWishes& wishes) { wishes.rate_hz = value; });
  });
  column->addWidget(between_);
  column->addWidget(rate_);
  return box;
}

QWidget* MoviePanel::build_out() {
  auto* box = new QWidget(this);
  auto* column = new QVBoxLayout(box);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(6);
  words_->setObjectName(QStringLiteral("movie-words"));
  words_->setWordWrap(true);
  column->addWidget(words_);
  bar_->setAccessibleName(tr("Progress"));
  bar_->setRange(0, static_cast<int>(kPercent));
  bar_->setTextVisible(false);
  bar_->setFixedHeight(Theme::px(8));
  column->addWidget(bar_);
  make_->setObjectName(QStringLiteral("movie-make"));
  make_->setProperty("narrow", true);
  make_->setProperty("main", true);
  make_->setMinimumHeight(Theme::px(40));
  connect(make_, &QPushButton::clicked, this, &MoviePanel::asksWhereTo);
  column->addWidget(make_);
  return box;
}

QString MoviePanel::words() const {
  if (movie_.stage() == MovieStage::kFailed) {
    return movie_.problem();
  }
  if (!movie_.written_as().isEmpty()) {
    return tr("Written: %1").arg(QFileInfo(movie_.written_as()).fileName());
  }
  const auto& facts = movie_.facts();
  if (!facts) {
    return movie_.stage() == MovieStage::kLooking ? tr("Every picture is looked at.") : QString();
  }
  QStringList words{tr("%n picture(s)", nullptr, facts->pictures),
                    tr("%1 s").arg(number(facts->shown / movie_.wishes().rate_hz, 1))};
  if (!facts->left_out.empty()) {
    words << tr("%n left out", nullptr, static_cast<int>(facts->left_out.size()));
  }
  return words.join(QStringLiteral(" \u00b7 "));
}

void MoviePanel::follow() {
  list_->show_files(movie_.pictures());
  const AnimationWishes& wishes = movie_.wishes();
  for (QAbstractButton* button : holds_->buttons()) {
    button->setChecked(holds_->id(button) == static_cast<int>(wishes.hold));
  }
  const bool by_disc = wishes.hold == Hold::kDisc;
  const bool north = by_disc && wishes.north_up;
  north_->setEnabled(by_disc);
  north_->setChecked(north);
  still_->setEnabled(north);
  still_->setChecked(north && wishes.still_surface);
  between_->setEnabled(north);
  between_->show_value(wishes.between);
  even_->setChecked(wishes.even_light);
  back_->setChecked(wishes.back);
  stamp_->setChecked(movie_.stamped());
  tint_->setChecked(wishes.tint != reduce::Tint::kNone);
  rate_->show_value(wishes.rate_hz);
  const QString said = words();
  words_->setText(said);
  words_->setProperty("role", movie_.stage() == MovieStage::kFailed ? "error" : "");
  words_->setVisible(!said.isEmpty());
  const bool writes = movie_.stage() == MovieStage::kWriting;
  bar_->setVisible(writes);
  bar_->setValue(static_cast<int>(kPercent * movie_.progress()));
  make_->setText(writes ? tr("Stop") : tr("Write the movie\u2026"));
  make_->setToolTip(writes ? tr("Nothing is written (F9)")
                           : tr(".mkv without loss, .mp4 for all players (F9)"));
  make_->setEnabled(writes || movie_.facts().has_value());
}

}  // namespace solarchon::app
