"""Readings in documents of a form of their own: optical constants as YAML, measured colours as CxF3 (ISO 17972)."""

import re
from xml.etree import ElementTree

import numpy as np

from ..names import one_line
from ..optics.dispersion import index_by_formula
from ..words import tr
from .layouts import ONE_EACH_ROW
from .tables import MOST_CELLS, Block, ReadingError, Sheet

_SEEN_NM = (300.0, 1000.0)
"""What is taken of constants that go far beyond the light that is seen."""
_STEP_NM = 5.0
_DATA = re.compile(r"^DATA\s*:", re.M)
_MOST_SAMPLES = 20_000
_MOST_PARTS = 20_000
"""Of a YAML: constants have some twenty."""


def is_document(text):
    """Whether a text is one of these documents."""
    return is_constants_yaml(text) or is_cxf(text)


def sheet_of_document(text, path="text") -> Sheet:
    """The sheet of one; ReadingError, with one sentence, where it is not whole."""
    return constants_sheet(text, path) if is_constants_yaml(text) else cxf_sheet(text, path)


def is_constants_yaml(text):
    """Whether a text is a YAML of optical constants: entries of a type below DATA."""
    return bool(_DATA.search(text)) and "type:" in text and ("tabulated" in text or "formula" in text)


def is_cxf(text):
    return "colorexchangeformat.com/CxF3" in text[:4000]


def constants_sheet(text, path="text") -> Sheet:
    """n and k by wavelength: tables as they are between 300 and 1000 nm, dispersion formulas every 5 nm."""
    document = _yaml(text, path)
    entries = document.get("DATA") if isinstance(document, dict) else None
    if not isinstance(entries, list):
        raise ReadingError(tr("{0}: the YAML of optical constants cannot be read; save it again", path))
    n = k = None
    for entry in entries:
        kind = str(entry.get("type", "")).strip() if isinstance(entry, dict) else ""
        try:
            found_n, found_k = _entry(kind, entry)
        except (KeyError, ValueError, IndexError, AttributeError, TypeError):
            raise ReadingError(tr("{0}: the entry '{1}' of its DATA is not whole", path, one_line(kind)[:40])) from None
        n, k = found_n or n, found_k or k
    if n is None:
        raise ReadingError(
            tr("{0}: there is no index of refraction in it (tabulated nk, tabulated n, or a formula)", path)
        )
    at, index = n
    seen = (at >= _SEEN_NM[0]) & (at <= _SEEN_NM[1])
    if not seen.any():
        raise ReadingError(
            tr("{0}: it says nothing of light between {1} and {2} nm", path, f"{_SEEN_NM[0]:g}", f"{_SEEN_NM[1]:g}")
        )
    at, index = at[seen], index[seen]
    lost = np.interp(at, *k, left=0.0, right=0.0) if k is not None else np.zeros(at.size)
    rows = [(1, [f"{a:.10g}", f"{b:.10g}", f"{c:.10g}"]) for a, b, c in zip(at, index, lost, strict=True)]
    notes = (
        ()
        if seen.all()
        else (tr("only what lies between {0} and {1} nm is taken", f"{_SEEN_NM[0]:g}", f"{_SEEN_NM[1]:g}"),)
    )
    head = {"kind": "constants", "source": _said(document.get("REFERENCES")), "notes": _said(document.get("COMMENTS"))}
    return Sheet(head, [Block(["wavelength_nm", "n", "k"], 1, rows)], ",", ".", notes)


def _yaml(text, path):
    """What a YAML text says. ReadingError where it is none, refers to itself or has far too many parts."""
    import yaml

    # The parser in C where PyYAML has it: a table of many rows takes it a fiftieth of the time.
    loader = getattr(yaml, "CSafeLoader", yaml.SafeLoader)
    try:
        for count, event in enumerate(yaml.parse(text, loader)):
            if isinstance(event, yaml.AliasEvent) or count > _MOST_PARTS:
                raise yaml.YAMLError
        return yaml.load(text, loader)
    except (yaml.YAMLError, RecursionError, ValueError):
        raise ReadingError(tr("{0}: the YAML of optical constants cannot be read; save it again", path)) from None


def _said(text):
    return one_line(re.sub(r"<[^>]{0,200}>", "", str(text or "")))[:400]


def _entry(kind, entry):
    """((wavelengths in nm, n) or None, (wavelengths, k) or None) of one entry."""
    if kind.startswith("tabulated"):
        rows = [[float(v) for v in line.split()] for line in str(entry["data"]).splitlines() if line.strip()]
        table = np.array(rows)
        table = table[np.argsort(table[:, 0], kind="stable")]
        at = 1000.0 * table[:, 0]
        if kind == "tabulated nk":
            return (at, table[:, 1]), (at, table[:, 2])
        return ((at, table[:, 1]), None) if kind == "tabulated n" else (None, (at, table[:, 1]))
    if kind.startswith("formula"):
        number = int(kind.split()[1])
        ends = [float(v) for v in str(entry.get("wavelength_range") or entry["range"]).split()]
        c = np.array([float(v) for v in str(entry["coefficients"]).split()])
        low, high = max(1000.0 * ends[0], _SEEN_NM[0]), min(1000.0 * ends[1], _SEEN_NM[1])
        at = np.arange(np.ceil(low / _STEP_NM), np.floor(high / _STEP_NM) + 0.5) * _STEP_NM
        index = index_by_formula(number, c, at / 1000.0)
        if not np.all(np.isfinite(index)):
            raise ValueError
        return (at, index), None
    return None, None


def xml_root(text, path, form):
    """The root of an XML document of a form (`CxF`); ReadingError where it is not whole, or has entities of its own."""
    if "<!DOCTYPE" in text or "<!ENTITY" in text:
        raise ReadingError(tr("{0}: a document with entities of its own is not opened", path))
    try:
        return ElementTree.fromstring(text.encode())
    except ElementTree.ParseError as error:
        raise ReadingError(
            tr("{0}: this is not a whole {1} document ({2})", path, form, one_line(str(error))[:60])
        ) from None


def cxf_sheet(text, path="text") -> Sheet:
    """The spectra of a CxF3 document, each object a sample; Lab values where there are no spectra."""
    root = xml_root(text, path, "CxF")
    specifications = {e.get("Id", ""): e for e in root.iter() if tag_of(e) == "ColorSpecification"}
    rows, colours, geometry, cells = [], [], "", 0
    for n, item in enumerate(e for e in root.iter() if tag_of(e) == "Object"):
        if n >= _MOST_SAMPLES:
            raise ReadingError(tr("{0}: more than {1} samples in one file; split it", path, _MOST_SAMPLES))
        name = one_line(item.get("Name") or item.get("Id") or str(n + 1))
        for value in item.iter():
            if tag_of(value) == "ReflectanceSpectrum":
                spec = specifications.get(value.get("ColorSpecification", ""))
                found = _spectrum(path, name, value, spec)
                cells += len(found)
                if cells > MOST_CELLS:
                    raise ReadingError(tr("{0}: more than {1} numbers in one file; split it", path, MOST_CELLS))
                rows += [(n + 1, [name, f"{nm:g}", v]) for nm, v in found]
                geometry = geometry or _geometry(spec)
            elif tag_of(value) == "ColorCIELab":
                parts = {tag_of(e): (e.text or "").strip() for e in value}
                colours.append((n + 1, [name, *(parts.get(k, "") for k in "LAB")]))
    head = {"geometry": geometry} if geometry else {}
    if rows:
        names = dict.fromkeys(cells[0] for _, cells in rows)
        if len(names) == 1:
            head["name"] = next(iter(names))
            return Sheet(head, [Block(["wavelength_nm", "reflectance"], 1, [(i, c[1:]) for i, c in rows])], ",", ".")
        head[ONE_EACH_ROW] = "yes"
        return Sheet(head, [Block(["set", "wavelength_nm", "reflectance"], 1, rows)], ",", ".")
    if colours:
        if len(colours) == 1:
            name, *lab = colours[0][1]
            return Sheet({**head, "name": name}, [Block(["L", "a", "b"], 1, [(1, lab)])], ",", ".")
        return Sheet({**head, ONE_EACH_ROW: "yes"}, [Block(["set", "L", "a", "b"], 1, colours)], ",", ".")
    raise ReadingError(tr("{0}: there is no reflectance spectrum and no Lab value in this CxF document", path))


def tag_of(element):
    """An element's tag without its namespace."""
    return element.tag.rpartition("}")[2] if isinstance(element.tag, str) else ""


def _number(text):
    try:
        return float(text or "")
    except ValueError:
        return None


def _spectrum(path, name, value, spec):
    """[(nm, number as it stands)] of a spectrum."""
    span = next((e for e in spec.iter() if tag_of(e) == "WavelengthRange"), None) if spec is not None else None
    start = _number(value.get("StartWL")) or (_number(span.get("StartWL")) if span is not None else None)
    step = _number(value.get("Increment")) or (_number(span.get("Increment")) if span is not None else None)
    if start is None or not step:
        raise ReadingError(tr("{0}: '{1}' does not say at which wavelengths its spectrum is", path, name[:60]))
    return [(start + i * step, v) for i, v in enumerate((value.text or "").split())]


def _geometry(spec):
    """di:8, de:8 or 45:0 as the specification says it, else ""."""
    if spec is None:
        return ""
    told = {tag_of(e): (e.text or "").strip() for e in spec.iter()}
    if "Sphere" in {tag_of(e) for e in spec.iter()} or "SphereAngle" in told:
        is_in = told.get("SpecularComponent", told.get("IncludeSpecular", "included")).lower()
        return "de:8" if is_in.startswith(("excl", "false")) else "di:8"
    if told.get("IlluminationAngle") == "45" or told.get("MeasurementAngle") == "45":
        return "45:0"
    return ""
