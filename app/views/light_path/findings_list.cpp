// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/light_path/findings_list.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QPainter>
#include <QVBoxLayout>
#include <optional>

#include "app/model/phrases.h"
#include "app/shell/plain_label.h"
#include "app/shell/theme.h"
#include "app/shell/verdict_badge.h"
#include "app/shell/wrap_button.h"
#include "solarchon/words/advise.h"
#include "solarchon/words/parts.h"
#include "solarchon/words/safety.h"

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

QString figure_text(const base::Figure& figure) { return text(voice().rounded(figure)); }

void add_suggestions(const std::vector<advise::Suggestion>& suggestions, std::string_view concern,
                     std::optional<std::size_t> element, const optics::Rig& rig,
                     std::vector<Line>& lines) {
  for (std::size_t i = 0; i < suggestions.size(); ++i) {
    const advise::Suggestion& suggestion = suggestions[i];
    if (suggestion.concern == concern && suggestion.element == element) {
      const QString reason =
          (suggestion.change.from_kit ? QObject::tr("With what you have. Then: %1")
                                      : QObject::tr("From the list of generic parts. Then: %1"))
              .arg(name_of(suggestion.verdict));
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
    const words::RuleWords rule = words::rule_words(finding.rule, voice());
    const QString source = text(rule.source);
    const QString figures = text(words::figures_words(finding, voice()));
    lines.push_back({.words = name_at(rig, finding.element), .bold = true, .reason = source});
    lines.push_back({.words = text(rule.what)});
    lines.push_back({.words = text(rule.why) + (figures.isEmpty() ? figures : ' ' + figures),
                     .reason = source});
    lines.push_back({.words = QObject::tr("Next: %1").arg(text(rule.next_step)), .bold = true});
    add_suggestions(suggestions, finding.rule, finding.element, rig, lines);
  }
  if (assessment.findings.empty()) {
    lines.push_back({name_of(assessment.verdict), true, assessment.verdict});
  }
  for (const advise::Misfit& misfit : misfits) {
    lines.push_back({.words = QObject::tr("Does not fit: %1").arg(name_at(rig, misfit.element)),
                     .bold = true,
                     .misfit = true});
    const words::MisfitWords said = words::misfit_words(misfit.id, misfit.variant, voice());
    lines.push_back({.words = text(said.what) + ' ' + text(said.why)});
    if (misfit.key_figure) {
      lines.push_back(
          {.words = QObject::tr("%1: %2").arg(text(words::name_of(*misfit.key_figure, voice())),
                                              figure_text(misfit.key_figure->figure))});
    }
    add_suggestions(suggestions, misfit.id, misfit.element, rig, lines);
  }
  lines.push_back({.words = assessment.findings.empty()
                                ? QObject::tr("None of the rules objects. That rests on:")
                                : QObject::tr("All of this rests on:"),
                   .misfit = !misfits.empty() || !assessment.findings.empty()});
  for (const safety::Assumption& assumption : assessment.assumptions) {
    lines.push_back(
        {.words = QStringLiteral("\u2013 ") + text(words::assumption_words(assumption, voice()))});
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
    parts << text(words::name_of(part, voice()));
  }
  for (const optics::Element& part : change.adapters) {
    parts << text(part.name);
  }
  QString said;
  switch (change.kind) {
    case ChangeKind::kPutBack:
      said = QObject::tr("Put back %1").arg(here());
      break;
    case ChangeKind::kSet:
      said = std::holds_alternative<optics::Finder>(change.parts.front().part)
                 ? QObject::tr("Cap %1").arg(here())
                 : QObject::tr("Tilt to %1\u00b0")
                       .arg(number(
                           std::get<optics::TiltAdapter>(change.parts.front().part).tilt_deg, 1));
      break;
    case ChangeKind::kMove:
      said = QObject::tr("Move %1 to its place").arg(here());
      break;
    case ChangeKind::kRemove:
      said = QObject::tr("Take off %1").arg(here());
      break;
    case ChangeKind::kReplace:
      said = QObject::tr("Use %1").arg(parts.join(QStringLiteral(" + ")));
      break;
    case ChangeKind::kInsert:
      said = QObject::tr("Add %1").arg(parts.join(QStringLiteral(" + ")));
      break;
  }
  if (suggestion.before && suggestion.after && !(*suggestion.before == *suggestion.after)) {
    said += QStringLiteral("\n%1: %2 \u2192 %3")
                .arg(text(words::name_of(*suggestion.before, voice())),
                     figure_text(suggestion.before->figure), figure_text(suggestion.after->figure));
  }
  return said;
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
