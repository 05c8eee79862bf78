// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/measure/measure_view.h"

#include <QApplication>
#include <QClipboard>
#include <QDragEnterEvent>
#include <QFileDialog>
#include <QHBoxLayout>
#include <QHeaderView>
#include <QMimeData>
#include <QVBoxLayout>
#include <cmath>

#include "app/model/phrases.h"
#include "app/shell/file_kinds.h"
#include "app/shell/picture_with_panel.h"
#include "app/shell/plain_label.h"
#include "app/shell/theme.h"
#include "solarchon/base/file.h"
#include "solarchon/base/json.h"
#include "solarchon/media/frame_file.h"
#include "solarchon/optics/rig.h"
#include "solarchon/workspace/observe.h"
#include "solarchon/workspace/reports.h"

namespace solarchon::app {

MeasureView::MeasureView(const Models& models, QWidget* parent)
    : View(models, parent),
      chart_(new DiscChart(this)),
      model_(new SpotTable(this)),
      table_(new QTableView(this)),
      empty_(new PlainLabel(this)),
      figures_(new Figures(2, this)),
      export_(new QPushButton(tr("Export\u2026"), this)),
      copy_(new QPushButton(tr("Copy table"), this)),
      adopt_(new QPushButton(this)) {
  setAcceptDrops(true);
  table_->setModel(model_);
  table_->setAccessibleName(tr("Spots"));
  table_->setSelectionBehavior(QAbstractItemView::SelectRows);
  table_->setSelectionMode(QAbstractItemView::SingleSelection);
  table_->verticalHeader()->hide();
  table_->verticalHeader()->setDefaultSectionSize(26);
  table_->horizontalHeader()->setSectionResizeMode(QHeaderView::Stretch);
  table_->horizontalHeader()->setSectionResizeMode(0, QHeaderView::ResizeToContents);
  table_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  table_->setShowGrid(false);
  table_->setTabKeyNavigation(false);
  connect(table_->selectionModel(), &QItemSelectionModel::currentRowChanged, this,
          [this](const QModelIndex& row) { chart_->choose_spot(row.row()); });
  connect(chart_, &DiscChart::spotClicked, this, [this](int spot) { table_->selectRow(spot); });
  connect(export_, &QPushButton::clicked, this, &MeasureView::ask_export);
  connect(copy_, &QPushButton::clicked, this, &MeasureView::copy);
  auto* row = new PictureWithPanel(chart_, build_side(), 412, this);
  row->setContentsMargins(16, 12, 16, 12);
}

QWidget* MeasureView::build_side() {
  auto* open = new QPushButton(tr("Open a picture\u2026"), this);
  open->setToolTip(tr("FITS, PNG, TIFF or JPEG; you can drop one here too"));
  connect(open, &QPushButton::clicked, this, &MeasureView::ask_open);
  export_->setToolTip(tr("Spots as CSV, everything as JSON, the picture as PNG or TIFF"));
  empty_->setProperty("role", "faint");
  empty_->setWordWrap(true);
  auto* side = new QWidget(this);
  auto* column = new QVBoxLayout(side);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(8);
  auto* tools = new QHBoxLayout;
  tools->addWidget(open);
  tools->addWidget(export_);
  tools->addWidget(copy_);
  column->addLayout(tools);
  adopt_->setObjectName(QStringLiteral("adopt-focal-length"));
  adopt_->setToolTip(
      tr("The disc's measured size gives the telescope's true focal length; makers round it, and "
         "telescopes that focus with their mirror change it"));
  connect(adopt_, &QPushButton::clicked, this, &MeasureView::adopt_focal_length);
  column->addWidget(figures_);
  column->addWidget(adopt_);
  column->addWidget(empty_);
  column->addWidget(table_, 1);
  return side;
}

Readiness MeasureView::readiness() const {
  const auto& shown = frame().shown();
  if (shown && !shown->measurement) {
    return {safety::Severity::kCheck, shown->problem};
  }
  return {};
}

void MeasureView::follow() {
  const auto& shown = frame().shown();
  chart_->show_frame(shown);
  const bool measured = shown && shown->measurement;
  export_->setEnabled(shown != nullptr);
  copy_->setEnabled(measured);
  show_focal_length();
  if (!measured) {
    model_->show_spots({});
    figures_->show_rows({});
    table_->hide();
    empty_->setText(shown ? shown->problem : tr("No frame is open."));
    empty_->show();
    return;
  }
  const measure::DiscMeasurement& m = *shown->measurement;
  if (model_->rowCount() != static_cast<int>(m.spots.size()) || !table_->isVisible() ||
      table_->property("frame").toString() != shown->file) {
    model_->show_spots(m.spots);
    table_->setProperty("frame", shown->file);
  }
  table_->setVisible(!m.spots.empty());
  empty_->setVisible(m.spots.empty() || !m.view || !m.solar);
  empty_->setText(!m.spots_sought ? tr("Spots are not looked for in hydrogen alpha: what is dark "
                                       "there is gas.")
                  : m.spots.empty()
                      ? tr("No spots were found.")
                      : tr("Positions on the Sun need the time and the way the picture hangs; this "
                           "file does not say."));
  const QString none = QStringLiteral("\u2013");
  std::vector<Figures::Row> rows{
      {tr("Centre"),
       tr("%1, %2 px").arg(number(m.limb.centre_x_px, 2), number(m.limb.centre_y_px, 2))},
      {tr("Radius"), tr("%1 px").arg(number(m.limb.radius_px, 2))},
      {tr("Plate scale"),
       m.plate_scale_arcsec_px ? tr("%1\u2033 per pixel").arg(number(*m.plate_scale_arcsec_px, 4))
                               : none,
       tr("From the measured radius and the Sun's known angle at that time")},
      {tr("Limb seen"), tr("%1 %").arg(number(100.0 * m.limb.seen_share, 0)),
       m.limb.saturated ? tr("The disc is saturated: its edge is not to be trusted")
                        : tr("Share of the limb that lies in the picture")},
      {tr("Scatter"), tr("%1 px").arg(number(m.limb.scatter_px, 3)),
       tr("Of single edge points about the circle")},
      {tr("Spots"), m.spots_sought ? number(static_cast<double>(m.spots.size()), 0) : none}};
  if (const auto& moon = m.limb.moon) {
    rows.push_back({tr("Moon"),
                    tr("%1 of the diameter, %2 % of the area")
                        .arg(number(moon->magnitude, 3), number(100.0 * moon->obscuration, 1)),
                    tr("How much of the Sun the Moon covers in this picture")});
  }
  figures_->show_rows(rows);
}

std::optional<double> MeasureView::focal_length_mm() const {
  const auto& shown = frame().shown();
  return shown && shown->measurement ? workspace::focal_length_by(*shown->measurement, shown->frame,
                                                                  document().workspace().rig)
                                     : std::nullopt;
}

void MeasureView::adopt_focal_length() {
  const auto focal_length = focal_length_mm();
  workspace::Workspace next = document().workspace();
  if (const auto telescope = optics::find_fitted<optics::Telescope>(next.rig);
      telescope && focal_length) {
    std::get<optics::Telescope>(next.rig.elements[*telescope].part).focal_length_mm =
        std::round(10.0 * *focal_length) / 10.0;
    document().edit(tr("Focal length from the disc"), next);
  }
}

void MeasureView::show_focal_length() {
  const auto focal_length = focal_length_mm();
  const optics::Rig& rig = document().workspace().rig;
  const auto telescope = optics::find_fitted<optics::Telescope>(rig);
  if (!focal_length || !telescope) {
    adopt_->hide();
    return;
  }
  const double given = std::get<optics::Telescope>(rig.elements[*telescope].part).focal_length_mm;
  constexpr double kSame = 0.002;  // less is the scatter of one disc
  adopt_->setVisible(std::abs(*focal_length / given - 1.0) > kSame);
  adopt_->setText(tr("Set the telescope to %1 mm, as this disc says, not %2 mm")
                      .arg(number(*focal_length, 0), number(given, 0)));
}

void MeasureView::open_file(const QString& file) { frame().open(file); }

void MeasureView::ask_open() {
  const QString file = QFileDialog::getOpenFileName(this, tr("Open a picture"),
                                                    QString::fromStdString(frame().data().string()),
                                                    picture_filter());
  if (!file.isEmpty()) {
    frame().open(file);
  }
}

void MeasureView::ask_export() {
  const QString file = QFileDialog::getSaveFileName(
      this, tr("Export"), QStringLiteral("spots.csv"),
      tr("Spots (*.csv);;Measurement (*.json);;Picture (*.png *.tiff)"));
  if (!file.isEmpty()) {
    export_to(file);
  }
}

void MeasureView::export_to(const QString& file) {
  const auto& shown = frame().shown();
  const std::string path = file.toStdString();
  base::Result<void> written;
  if (file.endsWith(QStringLiteral(".png"))) {
    written = media::write_png(shown->frame, path);
  } else if (file.endsWith(QStringLiteral(".tiff")) || file.endsWith(QStringLiteral(".tif"))) {
    written = media::write_tiff(shown->frame, path);
  } else if (file.endsWith(QStringLiteral(".json")) && shown->measurement) {
    written =
        base::write_file(path, base::file_text(workspace::measurement_report(*shown->measurement)));
  } else {
    written = base::write_file(path, model_->csv().toStdString());
  }
  if (!written) {
    trouble().tell(written.error());
  }
}

void MeasureView::copy() const { QApplication::clipboard()->setText(model_->csv()); }

void MeasureView::dragEnterEvent(QDragEnterEvent* event) {
  if (event->mimeData()->hasUrls()) {
    event->acceptProposedAction();
  }
}

void MeasureView::dropEvent(QDropEvent* event) {
  const auto urls = event->mimeData()->urls();
  if (!urls.isEmpty() && urls.front().isLocalFile()) {
    frame().open(urls.front().toLocalFile());
  }
}

}  // namespace solarchon::app
