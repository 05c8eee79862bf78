// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/light_path/findings_list.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QPainter>
#include <QVBoxLayout>

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

}  // namespace

FindingsList::FindingsList(QWidget* parent) : QScrollArea(parent) {
  setObjectName(QStringLiteral("findings"));
  setWidgetResizable(true);
  setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  setFrameShape(QFrame::NoFrame);
  setAccessibleName(tr("Findings"));
}

void FindingsList::show_assessment(const safety::Assessment& assessment, const optics::Rig& rig) {
  QString plain;
  auto* page = new QWidget;
  auto* column = new QVBoxLayout(page);
  column->setContentsMargins(0, 0, 8, 0);
  column->setSpacing(4);
  const auto say = [&](const QString& words, bool bold) {
    plain += words + '\n';
    column->addWidget(paragraph(words, bold, page));
  };
  const auto head = [&](safety::Severity severity, const QString& words) {
    plain += words + '\n';
    auto* row = new QHBoxLayout;
    row->setSpacing(8);
    row->addWidget(sign_label(severity, page), 0, Qt::AlignTop);
    auto* title = paragraph(words, true, page);
    title->setStyleSheet(QStringLiteral("color: %1").arg(sign_colour(severity).name()));
    row->addWidget(title, 1);
    column->addLayout(row);
  };
  int flag = 0;
  for (const safety::Finding& finding : assessment.findings) {
    ++flag;
    const QString place =
        finding.element ? text(rig.elements[*finding.element].name) : tr("The whole light path");
    head(finding.severity, tr("%1. %2").arg(flag).arg(name_of(finding.severity)));
    say(place, true);
    say(text(finding.what), false);
    say(text(finding.why), false);
    say(tr("Next: %1").arg(text(finding.next_step)), true);
    column->addSpacing(12);
  }
  if (assessment.findings.empty()) {
    head(assessment.verdict, name_of(assessment.verdict));
    say(tr("None of the rules objects to this light path. That rests on:"), false);
  } else {
    say(tr("All of this rests on:"), false);
  }
  for (const std::string_view assumption : assessment.assumptions) {
    say(QStringLiteral("\u2013 ") + text(assumption), false);
  }
  column->addStretch(1);
  if (plain != plain_ || widget() == nullptr) {
    plain_ = plain;
    setWidget(page);
  } else {
    delete page;
  }
}

}  // namespace solarchon::app
