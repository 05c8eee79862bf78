#!/usr/bin/env python3
"""Keeps the translations complete.

tools/words.py            checks: every text that people see is in every translation, in the context
                          in which it is looked up, translated, and with the same places for figures
tools/words.py --update   takes new texts into app/i18n/*.ts, and drops those that are gone
tools/words.py --pseudo F writes a translation that marks every text, for the test that looks for
                          words which never passed through one

Texts stand in tr() in app/, in TEXT() in words/, and as names in data/kit. Needs lupdate
(qt6-l10n-tools).
"""
import argparse
import json
import pathlib
import re
import subprocess
import sys
import tempfile
import xml.etree.ElementTree as xml

TOP = pathlib.Path(__file__).resolve().parent.parent
LUPDATE = "/usr/lib/qt6/bin/lupdate"
TRANSLATIONS = ["es"]
# What lupdate says of C++ that it reads half; none of it concerns a text. Contexts are checked below.
HARMLESS = re.compile(
    r"^Updating |^Scanning directory|^    (Found|Kept|Removed|Same|Number)|Class 'solarchon::words' lacks Q_OBJECT"
    r"|Qualifying with unknown namespace/class ::(std|workspace|base)\b|^\s*$")
PLACES = re.compile(r"%n|%L?\d")


def names_that_ship():
    """Names of the generic parts and of the usual light paths, with their parts."""
    parts = json.loads((TOP / "data/kit/catalogue.json").read_text())["parts"]
    trains = json.loads((TOP / "data/kit/trains.json").read_text())["trains"]
    named = parts + trains + [part for train in trains for part in train["elements"]]
    return sorted({part["name"] for part in named})


def extract(ts, *options):
    """Runs lupdate into a file. Returns the lines that it said which may mean a lost text."""
    with tempfile.TemporaryDirectory() as folder:
        names = pathlib.Path(folder) / "names.cpp"  # lupdate reads C++
        names.write_text("".join(f'QT_TRANSLATE_NOOP("catalogue", {json.dumps(name, ensure_ascii=False)});\n'
                                 for name in names_that_ship()))
        return run_lupdate(ts, names, options)


def run_lupdate(ts, names, options):
    command = [LUPDATE, "-no-obsolete", "-locations", "none",
               "-tr-function-alias", "QT_TR_NOOP+=TEXT", "-I", ".", "-I", "words/include"]
    command += [*options, "words/src", "app", str(names), "-ts", str(ts)]
    done = subprocess.run(command, cwd=TOP, text=True, stdout=subprocess.PIPE,
                          stderr=subprocess.STDOUT, check=False)
    said = [line for line in done.stdout.splitlines() if not HARMLESS.search(line)]
    if done.returncode != 0:
        said.append(f"lupdate ended with {done.returncode}")
    return said


def messages(ts):
    """{(context, source, comment): message element} of a translation file."""
    found = {}
    for context in xml.parse(ts).getroot().findall("context"):
        for message in context.findall("message"):
            key = (context.findtext("name"), message.findtext("source"),
                   message.findtext("comment") or "")
            found[key] = message
    return found


def forms(message):
    """The translated texts of a message: one, or one for each plural."""
    translation = message.find("translation")
    plurals = translation.findall("numerusform")
    return [part.text or "" for part in plurals] or [translation.text or ""]


def known_contexts():
    """The contexts in which texts are looked up at run time."""
    known = {"QObject", "catalogue", "solarchon::words"}
    for header in list(TOP.glob("app/**/*.h")) + list(TOP.glob("app/**/*.cpp")):
        for name in re.findall(r"class (\w+)[^;{]*\{\s*Q_(?:OBJECT|DECLARE_TR_FUNCTIONS)",
                               header.read_text()):
            known.add(f"solarchon::app::{name}")
    return known


def faults_of_sources(fresh):
    faults = []
    contexts = known_contexts()
    for context, source, _ in fresh:
        if context not in contexts:
            faults.append(f"in context {context}, where nothing looks it up: {source!r}")
    for file in sorted(TOP.glob("app/**/*.cpp")):
        text = file.read_text()
        for match in re.finditer(r"(?<![\w:])(?:QObject::)?tr\(\s*(?![\s\"])", text):
            line = text.count("\n", 0, match.start()) + 1
            faults.append(f"{file.relative_to(TOP)}:{line}: tr() of something that is no literal")
    for file in sorted([*TOP.glob("core/**/src/*.cpp"), *TOP.glob("cli/*.cpp"),
                        *TOP.glob("app/**/*.cpp")]):
        text = file.read_text()
        for match in re.finditer(r'\b(?:wants|because)\(\s*"([^"]*)"', text):
            if f'{{"{match.group(1)}",' not in (TOP / "words/src/errors.cpp").read_text():
                faults.append(f"{file.relative_to(TOP)}: no words for {match.group(1)!r}")
    return faults


def faults_of_translation(language, fresh):
    faults = []
    ts = TOP / f"app/i18n/solarchon_{language}.ts"
    held = messages(ts)
    for key, message in fresh.items():
        context, source, _ = key
        place = f"{language}: {context}: {source!r}"
        if key not in held:
            faults.append(f"{place} is missing (tools/words.py --update)")
            continue
        translation = held[key].find("translation")
        if translation.get("type") == "unfinished" or "" in forms(held[key]):
            faults.append(f"{place} is not translated")
            continue
        for form in forms(held[key]):
            if set(PLACES.findall(form)) - {"%n"} != set(PLACES.findall(source)) - {"%n"}:
                faults.append(f"{place} has other places for figures: {form!r}")
    for context, source, _ in held:
        if (context, source, _) not in fresh:
            faults.append(f"{language}: {context}: {source!r} is nowhere in the program")
    return faults


def check():
    with tempfile.TemporaryDirectory() as folder:
        ts = pathlib.Path(folder) / "fresh_es.ts"
        faults = extract(ts)
        fresh = messages(ts)
    faults += faults_of_sources(fresh)
    for language in TRANSLATIONS:
        faults += faults_of_translation(language, fresh)
    plural_english = messages(TOP / "app/i18n/solarchon_en.ts")
    for key, message in fresh.items():
        if message.get("numerus") == "yes" and (
                key not in plural_english or "" in forms(plural_english[key])):
            faults.append(f"en: {key[0]}: {key[1]!r} has no plural")
    for fault in faults:
        print(fault, file=sys.stderr)
    print(f"{len(fresh)} texts, {len(faults)} faults")
    return 1 if faults else 0


def update():
    for language in TRANSLATIONS:
        extract(TOP / f"app/i18n/solarchon_{language}.ts")
    extract(TOP / "app/i18n/solarchon_en.ts", "-pluralonly")
    return 0


MARKED = str.maketrans("aeiouAEIOU", "áéíóúÁÉÍÓÚ")


def marked(text):
    """The text with an accent on every vowel, but for the places of figures."""
    return re.sub(r"%n|%L?\d|[^%]+|%", lambda part: part.group(0) if part.group(0)[0] == "%"
                  else part.group(0).translate(MARKED), text)


def pseudo(out):
    said = extract(out, "-target-language", "es")  # for its two plural forms
    tree = xml.parse(out)
    for message in tree.getroot().iter("message"):
        source = message.findtext("source")
        translation = message.find("translation")
        translation.attrib.pop("type", None)
        plurals = translation.findall("numerusform")
        for part in plurals or [translation]:
            part.text = marked(source)
    tree.write(out, encoding="utf-8", xml_declaration=True)
    return 1 if said else 0


if __name__ == "__main__":
    arguments = argparse.ArgumentParser(description=__doc__,
                                        formatter_class=argparse.RawDescriptionHelpFormatter)
    arguments.add_argument("--update", action="store_true")
    arguments.add_argument("--pseudo", metavar="FILE", type=pathlib.Path)
    asked = arguments.parse_args()
    sys.exit(update() if asked.update else pseudo(asked.pseudo) if asked.pseudo else check())
