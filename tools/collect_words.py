"""Gather what the program says into the catalogues of its languages: new words unfinished, gone ones dropped.

python tools/collect_words.py    then translate what is marked unfinished in src/photometra/desktop/languages/*.ts
"""

import ast
import re
import sys
from pathlib import Path
from xml.sax.saxutils import escape

from photometra.desktop.language import CONTEXT, LANGUAGES, catalogue
from photometra.words import ENGLISH

ROOT = Path(__file__).resolve().parent.parent / "src/photometra"
_FORMS = {"tr": slice(0, 1), "counted": slice(1, 3)}
_IN_TEMPLATE = re.compile(r'\btr\("([^"]+)"')
_IN_PICTURE = re.compile(r"<(?:text|title)\b[^>]*>([^<>]*[A-Za-z][^<>]*)<")


def forms_of_source(text):
    """The forms that a module says, in their order."""
    for node in ast.walk(ast.parse(text)):
        if isinstance(node, ast.Call) and isinstance(node.func, ast.Name) and node.func.id in _FORMS:
            for said in node.args[_FORMS[node.func.id]]:
                if isinstance(said, ast.Constant):
                    yield said.value


def collected():
    """{form: where it is said first} of the whole program, its report and the pictures of its guide."""
    found = {}
    for path in sorted(ROOT.rglob("*.py")):
        if path.parts[-2] != "cli":
            for form in forms_of_source(path.read_text(encoding="utf-8")):
                found.setdefault(form, str(path.relative_to(ROOT)))
    for form in _IN_TEMPLATE.findall((ROOT / "report/template.html").read_text(encoding="utf-8")):
        found.setdefault(form, "report/template.html")
    for path in sorted((ROOT / "guide/pictures").glob("*.svg")):
        for form in _IN_PICTURE.findall(path.read_text(encoding="utf-8")):
            found.setdefault(form, f"guide/pictures/{path.name}")
    return found


def written(language, forms, said):
    """A catalogue as Qt's tools write one."""
    lines = ['<?xml version="1.0" encoding="utf-8"?>', "<!DOCTYPE TS>", f'<TS version="2.1" language="{language}">']
    lines += ["<context>", f"    <name>{CONTEXT}</name>"]
    for form, place in forms.items():
        text = said.get(form, "")
        kind = "" if text else ' type="unfinished"'
        lines += ["    <message>", f'        <location filename="{place}"/>']
        lines += [
            f"        <source>{escape(form)}</source>",
            f"        <translation{kind}>{escape(text)}</translation>",
        ]
        lines += ["    </message>"]
    return "\n".join([*lines, "</context>", "</TS>", ""])


def main():
    forms, open_still = collected(), 0
    for language in LANGUAGES:
        if language == ENGLISH:
            continue
        path = ROOT / f"desktop/languages/{language}.ts"
        said = catalogue(language) if path.exists() else {}
        path.write_text(written(language, forms, said), encoding="utf-8")
        missing = [f for f in forms if f not in said]
        open_still += len(missing)
        print(f"{path}: {len(forms)} forms, {len(missing)} unfinished")
        print("\n".join(f"  {f}" for f in missing[:40]))
    return int(open_still > 0)


if __name__ == "__main__":
    sys.exit(main())
