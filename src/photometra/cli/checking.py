"""The verb check: what makes no sense, for people and for pipelines; and what has drifted since an earlier check."""

import json
from pathlib import Path
from typing import Annotated
from xml.etree import ElementTree

import typer

from ..disk import read_bytes, write_text
from ..figures import figures
from ..fitting import agreements, evidence_findings
from ..imaging.booths import standing, standing_findings, undressed_findings
from ..instruments import constants_reading
from ..names import shown
from ..study import read_file
from ..surface import PARAMETERS, format_value
from ..surface.checks import findings
from .output import Refused, print_json, tell
from .studies import Json, StudyPath, json_of

_MOST_BYTES = 50_000_000
_DRIFT = 0.1
"""Of a reading's tolerance: what its misfit may move by before it is told as drifted."""


def check(
    study: StudyPath,
    as_json: Json = False,
    junit: Annotated[
        Path | None,
        typer.Option("--junit", metavar="FILE.xml", help="Write JUnit XML: a test for each reading and specimen."),
    ] = None,
    baseline: Annotated[
        Path | None,
        typer.Option("--baseline", metavar="FILE", help="Say what has drifted since an earlier check --json > FILE."),
    ] = None,
):
    """Say what makes no physical sense, and what may be meant otherwise. Exit code 1 for the former; with a baseline
    also where something is worse than it was."""
    document = read_file(study)
    before = _read_baseline(baseline) if baseline is not None else None
    compared = {s.name: agreements(s.surface, s.readings) for s in document.specimens}
    found = [(s, f) for s in document.specimens for f in _findings(document, s, compared[s.name])]
    faults = [f for _, f in found if not f.is_advice]
    told = _told(document, compared, found)
    drifted = _drifted(before, told) if before is not None else []
    if junit is not None:
        write_text(junit, _as_junit(document.name, told, None if before is None else drifted))
    if as_json:
        print_json({**told, **({} if before is None else {"drifted": drifted})})
    else:
        for s, f in found:
            mend = ", ".join(f"{k}={format_value(PARAMETERS[k], v)}" for k, v in f.mend.items())
            print(f"{s.name}: {'advice: ' if f.is_advice else ''}{f.sentence}" + (f" Mend: {mend}." if mend else ""))
        for d in drifted:
            print(f"{d['specimen']}: since the baseline, {d['sentence']}")
        if not found:
            tell("nothing to mend")
        if before is not None and not drifted:
            tell("nothing has drifted since the baseline")
    return 1 if faults or any(d["is_worse"] for d in drifted) else 0


def _findings(document, s, compared):
    return (
        *findings(s.surface, s.size_mm, constants_reading(s.readings) is not None),
        *evidence_findings(s.surface, compared),
        *standing_findings(s, document.meshes),
        *undressed_findings(document, s, standing(s, document.meshes)),
    )


def _told(document, compared, found):
    """All that a check says, as data: also what a later one is compared with."""
    return {
        "findings": [
            {
                "specimen": s.name,
                "sentence": f.sentence,
                "mend": {k: json_of(v) for k, v in f.mend.items()},
                "is_error": f.is_error,
                "is_advice": f.is_advice,
            }
            for s, f in found
        ],
        "sound": all(f.is_advice for _, f in found),
        "specimens": [
            {
                "name": s.name,
                "parameters": {name: json_of(s.surface.input(name)) for name in s.surface.given},
                "readings": [
                    {
                        "name": a.reading.name,
                        "metric": a.reading.kind.metric_label,
                        "value": a.value,
                        "tolerance": a.reading.tolerance,
                        "within": bool(a.within),
                        "problem": a.problem or "",
                    }
                    for a in compared[s.name]
                    if a.reading.active
                ],
            }
            for s in document.specimens
        ],
    }


def _read_baseline(path):
    try:
        told = json.loads(read_bytes(path, _MOST_BYTES))
        {
            (s["name"], r["name"], float(r["value"] or 0.0), r["within"])
            for s in told["specimens"]
            for r in s["readings"]
        }
        {(f["specimen"], f["sentence"]) for f in told["findings"]}
        if not all(isinstance(s["parameters"], dict) for s in told["specimens"]):
            raise TypeError
    except (ValueError, KeyError, TypeError, RecursionError):
        raise Refused(f"{path}: this is no baseline; make one with check --json > FILE") from None
    return told


def _drifted(before, now):
    """What has changed between two checks: {specimen, sentence, is_worse} each."""
    then, there = ({s["name"]: s for s in told["specimens"]} for told in (before, now))

    def drift(specimen, sentence, is_worse=False):
        return {"specimen": specimen, "sentence": sentence, "is_worse": is_worse}

    out = [drift(name, "the specimen is gone", True) for name in then if name not in there]
    out += [drift(name, "the specimen is new") for name in there if name not in then]
    for name in (n for n in there if n in then):
        # What was kept has gone through JSON; so does what is compared with it.
        old, new = then[name]["parameters"], json.loads(json.dumps(there[name]["parameters"]))
        out += [
            drift(name, f"{key} is {_short(new.get(key))}, and was {_short(old.get(key))}")
            for key in sorted({*old, *new})
            if old.get(key) != new.get(key)
        ]
        of_old, of_new = ({r["name"]: r for r in s["readings"]} for s in (then[name], there[name]))
        out += [drift(name, f"{key} is not compared any more", True) for key in of_old if key not in of_new]
        for key, r in of_new.items():
            was = of_old.get(key)
            if was is None:
                out.append(drift(name, f"{key} is new", not r["within"]))
            elif was["within"] != r["within"]:
                turned = "is within its tolerance again" if r["within"] else "is out of its tolerance"
                out.append(drift(name, f"{key} {turned}: {_moved(was, r)}", not r["within"]))
            elif abs((r["value"] or 0.0) - (was["value"] or 0.0)) > _DRIFT * r["tolerance"]:
                is_worse = not r["within"] and (r["value"] or 0.0) > (was["value"] or 0.0)
                out.append(drift(name, f"{key} has moved: {_moved(was, r)}", is_worse))
    known = {(f["specimen"], f["sentence"]) for f in before["findings"]}
    for f in now["findings"]:
        if (f["specimen"], f["sentence"]) not in known:
            out.append(drift(f["specimen"], f"this is new: {f['sentence']}", not f["is_advice"]))
    return out


def _short(value):
    text = "as by default" if value is None else json.dumps(value, ensure_ascii=False)
    return text if len(text) <= 60 else f"{text[:57]}…"


def _moved(was, now):
    values = (figures(v) if v is not None else "unknown" for v in (now["value"], was["value"]))
    return "{} {}, and was {}".format(now["metric"], *values)


def _as_junit(study, told, drifted):
    """JUnit XML: a suite for each specimen, with tests of its sense, of each reading, and of drift from a baseline."""
    root = ElementTree.Element("testsuites", name=shown(study))
    for s in told["specimens"]:
        mine = [f for f in told["findings"] if f["specimen"] == s["name"]]
        tests = [("physical sense", [f["sentence"] for f in mine if not f["is_advice"]])]
        for r in s["readings"]:
            value = "unknown" if r["value"] is None else figures(r["value"], 4)
            out = f"{r['metric']} {value}, of {r['tolerance']:g} allowed"
            tests.append((r["name"], [] if r["within"] else [r["problem"] or out]))
        if drifted is not None:
            worse = [d["sentence"] for d in drifted if d["specimen"] == s["name"] and d["is_worse"]]
            tests.append(("no worse than the baseline", worse))
        failures = sum(bool(sentences) for _, sentences in tests)
        suite = ElementTree.SubElement(
            root, "testsuite", name=shown(s["name"]), tests=str(len(tests)), failures=str(failures), errors="0"
        )
        for name, sentences in tests:
            case = ElementTree.SubElement(suite, "testcase", classname=shown(s["name"]), name=shown(name))
            if sentences:
                failure = ElementTree.SubElement(case, "failure", message=shown(sentences[0]))
                failure.text = shown("; ".join(sentences))
        advice = [f["sentence"] for f in mine if f["is_advice"]]
        if advice:
            ElementTree.SubElement(suite, "system-out").text = shown("; ".join(advice))
    ElementTree.indent(root)
    return ElementTree.tostring(root, encoding="unicode", xml_declaration=True) + "\n"


def register(app):
    app.command("check")(check)
