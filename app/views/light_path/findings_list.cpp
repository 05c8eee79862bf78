// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/light_path/findings_list.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QPainter>
#include <QVBoxLayout>
#include <optional>

#include "app/shell/phrases.h"
#include "app/shell/plain_label.h"
#include "app/shell/theme.h"
#include "app/shell/verdict_badge.h"
#include "app/shell/wrap_button.h"

namespace solarchon::app {

namespace {

/// The sign of a severity as a small picture.
QLabel* sign_label(safety::Severity severity, QWidget* parent) {
  QPixmap pixmap(48, 48);
  pixmap.setDevicePixelRatio(2.0);
  pixmap.fill(Qt::transparent);
  QPainter painter(&pixmap);
  paint_sign(painter, QRectF(1, 1, 22, 22), severity);
  auto* label = new PlainLabel(parent);
  label->setPixmap(pixmap);
  label->setAccessibleName(name_of(severity));
  return label;
}

QLabel* paragraph(const QString& words, bool bold, QWidget* parent) {
  auto* label = new PlainLabel(words, parent);
  label->setWordWrap(true);
  label->setFont(Theme::font(TextSize::kMedium, bold));
  label->setTextInteractionFlags(Qt::TextSelectableByMouse);
  return label;
}

/// One paragraph of the list; a head stands beside the sign of its severity, a suggestion is a
/// button.
struct Line {
  QString words;
  bool bold = false;
  std::optional<safety::Severity> head = {};
  bool misfit = false;
  int suggestion = -1;
  QString reason = {};
};

QString name_at(const optics::Rig& rig, std::optional<std::size_t> element) {
  return element ? text(rig.elements[*element].name) : QObject::tr("The whole light path");
}

QString measure_text(const advise::Measure& measure) {
  const QString unit = text(measure.unit);
  const bool close = unit.isEmpty() || unit == QChar(0xb0);  // degrees stand at their number
  return figure(measure.value, 3) + (close ? unit : ' ' + unit);
}

void add_suggestions(const std::vector<advise::Suggestion>& suggestions, std::string_view concern,
                     std::optional<std::size_t> element, const optics::Rig& rig,
                     std::vector<Line>& lines) {
  for (std::size_t i = 0; i < suggestions.size(); ++i) {
    const advise::Suggestion& suggestion = suggestions[i];
    if (suggestion.concern == concern && suggestion.element == element) {
      QString reason = suggestion.change.from_kit ? QObject::tr("With what you have. ")
                                                  : QObject::tr("From the list of generic parts. ");
      reason += QObject::tr("Then: %1").arg(name_of(suggestion.verdict));
      lines.push_back({.words = suggestion_words(suggestion, rig),
                       .suggestion = static_cast<int>(i),
                       .reason = reason});
    }
  }
}

std::vector<Line> lines_of(const safety::Assessment& assessment,
                           const std::vector<advise::Misfit>& misfits,
                           const std::vector<advise::Suggestion>& suggestions,
                           const optics::Rig& rig) {
  std::vector<Line> lines;
  int flag = 0;
  for (const safety::Finding& finding : assessment.findings) {
    ++flag;
    lines.push_back(
        {QObject::tr("%1. %2").arg(flag).arg(name_of(finding.severity)), true, finding.severity});
    lines.push_back(
        {.words = name_at(rig, finding.element), .bold = true, .reason = text(finding.source)});
    lines.push_back({.words = text(finding.what)});
    lines.push_back({.words = text(finding.why) +
                              (finding.figures.empty() ? QString() : ' ' + text(finding.figures)),
                     .reason = text(finding.source)});
    lines.push_back({.words = QObject::tr("Next: %1").arg(text(finding.next_step)), .bold = true});
    add_suggestions(suggestions, finding.rule, finding.element, rig, lines);
  }
  if (assessment.findings.empty()) {
    lines.push_back({name_of(assessment.verdict), true, assessment.verdict});
  }
  for (const advise::Misfit& misfit : misfits) {
    lines.push_back({.words = QObject::tr("Does not fit: %1").arg(name_at(rig, misfit.element)),
                     .bold = true,
                     .misfit = true});
    lines.push_back({.words = text(misfit.what) + ' ' + text(misfit.why)});
    if (misfit.measure) {
      lines.push_back({.words = QStringLiteral("%1: %2").arg(text(misfit.measure->name),
                                                             measure_text(*misfit.measure))});
    }
    add_suggestions(suggestions, misfit.id, misfit.element, rig, lines);
  }
  lines.push_back({.words = assessment.findings.empty()
                                ? QObject::tr("None of the rules objects. That rests on:")
                                : QObject::tr("All of this rests on:"),
                   .misfit = !misfits.empty() || !assessment.findings.empty()});
  for (const std::string& assumption : assessment.assumptions) {
    lines.push_back({.words = QStringLiteral("\u2013 ") + text(assumption)});
  }
  return lines;
}

}  // namespace

QString suggestion_words(const advise::Suggestion& suggestion, const optics::Rig& rig) {
  using advise::ChangeKind;
  const advise::Change& change = suggestion.change;
  const auto here = [&] { return text(rig.elements[change.element].name); };
  QStringList parts;
  for (const optics::Element& part : change.parts) {
    parts << text(part.name);
  }
  for (const optics::Element& part : change.adapters) {
    parts << text(part.name);
  }
  QString words;
  switch (change.kind) {
    case ChangeKind::kPutBack:
      words = QObject::tr("Put back %1").arg(here());
      break;
    case ChangeKind::kSet:
      words = std::holds_alternative<optics::Finder>(change.parts.front().part)
                  ? QObject::tr("Cap %1").arg(here())
                  : QObject::tr("Tilt to %1\u00b0")
                        .arg(number(
                            std::get<optics::TiltAdapter>(change.parts.front().part).tilt_deg, 1));
      break;
    case ChangeKind::kMove:
      words = QObject::tr("Move %1 to its place").arg(here());
      break;
    case ChangeKind::kRemove:
      words = QObject::tr("Take off %1").arg(here());
      break;
    case ChangeKind::kReplace:
      words = QObject::tr("Use %1").arg(parts.join(QObject::tr(" with ")));
      break;
    case ChangeKind::kInsert:
      words = QObject::tr("Add %1").arg(parts.join(QObject::tr(" and ")));
      break;
  }
  if (suggestion.before && suggestion.after && !(*suggestion.before == *suggestion.after)) {
    words += QStringLiteral("\n%1: %2 \u2192 %3")
                 .arg(text(suggestion.before->name), figure(suggestion.before->value, 2),
                      measure_text({suggestion.after->name, suggestion.after->unit,
                                    suggestion.after->value}));
  }
  return words;
}

FindingsList::FindingsList(QWidget* parent) : QScrollArea(parent) {
  setObjectName(QStringLiteral("findings"));
  setWidgetResizable(true);
  setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  setFrameShape(QFrame::NoFrame);
  setAccessibleName(tr("Findings"));
}

void FindingsList::show_judgement(const safety::Assessment& assessment,
                                  const std::vector<advise::Misfit>& misfits,
                                  const std::vector<advise::Suggestion>& suggestions,
                                  const optics::Rig& rig) {
  const std::vector<Line> lines = lines_of(assessment, misfits, suggestions, rig);
  QString plain;
  for (const Line& line : lines) {
    plain += line.words + '\n';
  }
  if (plain == plain_) {
    return;
  }
  plain_ = plain;
  auto* page = new QWidget;
  auto* column = new QVBoxLayout(page);
  column->setContentsMargins(0, 0, 8, 0);
  column->setSpacing(4);
  for (const Line& line : lines) {
    if (line.suggestion >= 0) {
      auto* button = new WrapButton(line.words, page);
      button->setToolTip(line.reason);
      connect(button, &WrapButton::clicked, this,
              [this, chosen = line.suggestion] { emit suggestionChosen(chosen); });
      column->addWidget(button);
      continue;
    }
    QLabel* label = paragraph(line.words, line.bold, page);
    label->setToolTip(line.reason);
    if ((line.head || line.misfit) && column->count() > 0) {
      column->addSpacing(12);
    }
    if (!line.head) {
      column->addWidget(label);
      continue;
    }
    label->setStyleSheet(QStringLiteral("color: %1").arg(sign_colour(*line.head).name()));
    auto* row = new QHBoxLayout;
    row->setSpacing(8);
    row->addWidget(sign_label(*line.head, page), 0, Qt::AlignTop);
    row->addWidget(label, 1);
    column->addLayout(row);
  }
  column->addStretch(1);
  setWidget(page);
}

}  // namespace solarchon::app
