// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/window/options.h"

#include <QCommandLineParser>
#include <QFileInfo>
#include <QRegularExpression>

#include "app/shell/language.h"
#include "app/window/places.h"

namespace solarchon::app {

using base::ErrorCode;
using base::fail;

namespace {

void describe(QCommandLineParser& parser) {
  parser.setApplicationDescription(QObject::tr("Plan, expose, measure and log images of the Sun."));
  parser.addPositionalArgument(
      "file", QObject::tr("A light path, site, forecast, picture or clip to open."), "[file]");
  const QString folder = QObject::tr("folder");
  const QString name = QObject::tr("name");
  parser.addOptions({
      {{"h", "help"}, QObject::tr("Shows this help.")},
      {"version", QObject::tr("Shows the version.")},
      {"demo", QObject::tr("Uses the made-up demo scenario and its own data folder.")},
      {"data", QObject::tr("Keeps everything in this folder."), folder},
      {"language", QObject::tr("Speaks one of: %1.").arg(languages().join(", ")), name},
      {"view", QObject::tr("Opens one of: %1.").arg(place_ids().join(", ")), name},
      {"screenshot", QObject::tr("Writes a picture of the window as PNG and leaves."),
       QObject::tr("file")},
      {"tour", QObject::tr("Writes a picture of every view in both themes and leaves."), folder},
      {"size", QObject::tr("Size of the window, such as %1.").arg("1280x800"), "1280x800"},
      {"theme", QObject::tr("Shows itself as one of: %1.").arg("noon, indoors"), name},
      {"text", QObject::tr("Shows its words in this size, in per cent of the usual one."),
       QObject::tr("90 to 200")},
      {"ring", QObject::tr("Sounds the alarm and leaves.")},
      {"time", QObject::tr("Looks at this moment, such as %1.").arg("2027-07-14T10:30:00Z"), "utc"},
  });
}

}  // namespace

base::Result<Options> read_options(const QStringList& arguments) {
  QCommandLineParser parser;
  describe(parser);
  if (!parser.parse(arguments) || parser.positionalArguments().size() > 1) {
    return fail(ErrorCode::kUnknownValue, "option",
                parser.unknownOptionNames().isEmpty()
                    ? parser.errorText().toStdString() +
                          parser.positionalArguments().join(' ').toStdString()
                    : parser.unknownOptionNames().join(' ').toStdString(),
                base::wants("listed-options"));
  }
  Options options;
  if (!parser.positionalArguments().isEmpty()) {
    const QFileInfo file(parser.positionalArguments().front());
    if (!file.isFile()) {
      return fail(ErrorCode::kNotFound, "file", file.filePath().toStdString());
    }
    options.file = file.absoluteFilePath();
  }
  options.help = parser.isSet("help");
  options.version = parser.isSet("version");
  options.ring = parser.isSet("ring");
  options.demo = parser.isSet("demo");
  options.data = parser.value("data").toStdString();
  options.screenshot = parser.value("screenshot");
  options.tour = parser.value("tour");
  options.language = parser.value("language");
  if (!options.language.isEmpty() && !languages().contains(options.language)) {
    return fail(ErrorCode::kUnknownValue, "language", options.language.toStdString(),
                base::wants("one-of", {}, languages().join(", ").toStdString()));
  }
  options.view = parser.value("view");
  if (!options.view.isEmpty() && !place_ids().contains(options.view)) {
    return fail(ErrorCode::kUnknownValue, "view", options.view.toStdString(),
                base::wants("one-of", {}, place_ids().join(", ").toStdString()));
  }
  if (parser.isSet("size")) {
    static const QRegularExpression kForm("^(\\d{3,4})x(\\d{3,4})$");
    const auto match = kForm.match(parser.value("size"));
    if (!match.hasMatch()) {
      return fail(ErrorCode::kMalformed, "size", parser.value("size").toStdString(),
                  base::wants("window-size"));
    }
    options.size = {match.captured(1).toInt(), match.captured(2).toInt()};
    options.size_given = true;
  }
  if (parser.isSet("theme")) {
    const QString theme = parser.value("theme");
    if (theme != "noon" && theme != "indoors") {
      return fail(ErrorCode::kUnknownValue, "theme", theme.toStdString(),
                  base::one_of({"noon", "indoors"}));
    }
    options.look = theme == "noon" ? Look::kNoon : Look::kIndoors;
  }
  if (parser.isSet("text")) {
    bool understood = false;
    const int percent = parser.value("text").toInt(&understood);
    if (!understood || percent < Theme::kLeastPercent || percent > Theme::kMostPercent) {
      return fail(ErrorCode::kOutOfRange, "text", parser.value("text").toStdString(),
                  base::within({Theme::kLeastPercent, Theme::kMostPercent}));
    }
    options.text_percent = percent;
  }
  if (parser.isSet("time")) {
    const auto time = sky::parse_utc(parser.value("time").toStdString(), "time");
    if (!time) {
      return tl::make_unexpected(time.error());
    }
    options.time = *time;
  }
  return options;
}

QString help_text() {
  QCommandLineParser parser;
  describe(parser);
  return parser.helpText();
}

}  // namespace solarchon::app
