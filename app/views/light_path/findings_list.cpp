// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/light_path/findings_list.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QPainter>
#include <QVBoxLayout>
#include <optional>
#include <vector>

#include "app/shell/phrases.h"
#include "app/shell/theme.h"
#include "app/shell/verdict_badge.h"

namespace solarchon::app {

namespace {

/// The sign of a severity as a small picture.
QLabel* sign_label(safety::Severity severity, QWidget* parent) {
  QPixmap pixmap(48, 48);
  pixmap.setDevicePixelRatio(2.0);
  pixmap.fill(Qt::transparent);
  QPainter painter(&pixmap);
  paint_sign(painter, QRectF(1, 1, 22, 22), severity);
  auto* label = new QLabel(parent);
  label->setPixmap(pixmap);
  label->setAccessibleName(name_of(severity));
  return label;
}

QLabel* paragraph(const QString& words, bool bold, QWidget* parent) {
  auto* label = new QLabel(words, parent);
  label->setWordWrap(true);
  label->setFont(Theme::font(TextSize::kMedium, bold));
  label->setTextInteractionFlags(Qt::TextSelectableByMouse);
  return label;
}

/// One paragraph of the list; a head stands beside the sign of its severity.
struct Line {
  QString words;
  bool bold = false;
  std::optional<safety::Severity> head = {};
};

std::vector<Line> lines_of(const safety::Assessment& assessment, const optics::Rig& rig) {
  std::vector<Line> lines;
  int flag = 0;
  for (const safety::Finding& finding : assessment.findings) {
    ++flag;
    lines.push_back(
        {QObject::tr("%1. %2").arg(flag).arg(name_of(finding.severity)), true, finding.severity});
    lines.push_back({finding.element ? text(rig.elements[*finding.element].name)
                                     : QObject::tr("The whole light path"),
                     true});
    lines.push_back({text(finding.what)});
    lines.push_back({text(finding.why)});
    lines.push_back({QObject::tr("Next: %1").arg(text(finding.next_step)), true});
  }
  if (assessment.findings.empty()) {
    lines.push_back({name_of(assessment.verdict), true, assessment.verdict});
    lines.push_back({QObject::tr("None of the rules objects to this light path. That rests on:")});
  } else {
    lines.push_back({QObject::tr("All of this rests on:")});
  }
  for (const std::string_view assumption : assessment.assumptions) {
    lines.push_back({QStringLiteral("\u2013 ") + text(assumption)});
  }
  return lines;
}

QWidget* page_of(const std::vector<Line>& lines) {
  auto* page = new QWidget;
  auto* column = new QVBoxLayout(page);
  column->setContentsMargins(0, 0, 8, 0);
  column->setSpacing(4);
  for (const Line& line : lines) {
    QLabel* label = paragraph(line.words, line.bold, page);
    if (!line.head) {
      column->addWidget(label);
      continue;
    }
    if (column->count() > 0) {
      column->addSpacing(12);
    }
    label->setStyleSheet(QStringLiteral("color: %1").arg(sign_colour(*line.head).name()));
    auto* row = new QHBoxLayout;
    row->setSpacing(8);
    row->addWidget(sign_label(*line.head, page), 0, Qt::AlignTop);
    row->addWidget(label, 1);
    column->addLayout(row);
  }
  column->addStretch(1);
  return page;
}

}  // namespace

FindingsList::FindingsList(QWidget* parent) : QScrollArea(parent) {
  setObjectName(QStringLiteral("findings"));
  setWidgetResizable(true);
  setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  setFrameShape(QFrame::NoFrame);
  setAccessibleName(tr("Findings"));
}

void FindingsList::show_assessment(const safety::Assessment& assessment, const optics::Rig& rig) {
  const std::vector<Line> lines = lines_of(assessment, rig);
  QString plain;
  for (const Line& line : lines) {
    plain += line.words + '\n';
  }
  if (plain != plain_) {
    plain_ = plain;
    setWidget(page_of(lines));
  }
}

}  // namespace solarchon::app
