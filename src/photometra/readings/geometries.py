"""Measuring geometries as people and instruments write them, `SCI`, `d/8`, `45°:0°`, `45as15`, and thicknesses."""

import re

MULTI_ANGLE = ("45as-15", "45as15", "45as25", "45as45", "45as75", "45as110")
"""Lit at 45°, seen so far from the mirror direction, towards the light counted positive (ASTM E2194, E2539)."""
REFLECTANCE = ("di:8", "de:8", "45:0", *MULTI_ANGLE)
THROUGH = "0:di"
"""Of a colour: let through in all, lit along the normal, gathered in a sphere (CIE 15)."""
INCLUDED, EXCLUDED = "di:8", "de:8"
_WORDS = {
    "di:8": ("sci", "spin", "rspin", "di8", "8di", "di:8", "8:di", "d8i", "specularincluded", "included",
             "specularcomponentincluded", "d:8i", "d:8:i", "d:8sci", "d:8spin", "mitglanz", "glanzeingeschlossen",
             "eingeschlossen"),
    "de:8": ("sce", "spex", "rspex", "de8", "8de", "de:8", "8:de", "d8e", "specularexcluded", "excluded",
             "specularcomponentexcluded", "d:8e", "d:8:e", "d:8sce", "d:8spex", "ohneglanz", "glanzausgeschlossen",
             "ausgeschlossen"),
    THROUGH: ("0:di", "0:d", "through", "transmitted", "transmission", "transmittance"),
    "45:0": ("45:0", "0:45", "45a:0", "0:45a", "45x:0", "45c:0", "0:45c", "450", "45:n", "n:45"),
}  # fmt: skip
_LONGEST = 400
_UNSAID = ("d:8", "8:d", "d8", "8d", "d:0", "diffuse:8", "sphere")
_TOKEN = re.compile(
    r"(?<![A-Za-z0-9])(?:SCI|SCE|[RT]?SP(?:IN|EX)|(?:45[°:/ ]?)?as[ -]?-?\d{2,3}°?|d[ie][:/ ]?8°?|45°?[:/]0°?)"
    r"(?![A-Za-z0-9])",
    re.I,
)


def geometry_of(text):
    """(one of our geometries or "", whether it leaves open if the specular part is in) of what somebody wrote."""
    if len(text) > _LONGEST:
        return "", False
    plain = re.sub(r"[\s°;_()\[\]-]|deg(?:rees)?", "", str(text).strip().lower().replace("as-15", "as−15"))
    plain = plain.replace("/", ":").replace("r:", "", 1) if plain.startswith("r:") else plain.replace("/", ":")
    found = re.fullmatch(r"(?:45:?)?as(−?\d{2,3})", plain)
    if found:
        name = f"45as{found[1].replace('−', '-')}"
        return (name, False) if name in MULTI_ANGLE else ("", False)
    for geometry, words in _WORDS.items():
        if plain in words:
            return geometry, False
    return (INCLUDED, True) if plain in _UNSAID else ("", False)


def without_geometry(name):
    """(a sample's name without the word that says its geometry, the geometry or "")."""
    found = _TOKEN.search(name) if len(name) <= _LONGEST else None
    if not found:
        return name, ""
    geometry, _ = geometry_of(found[0])
    if not geometry:
        return name, ""
    rest = (name[: found.start()] + name[found.end() :]).replace("()", "").replace("[]", "")
    return " ".join(rest.strip(" _-,;:/").split()), geometry


_THICK = re.compile(r"(?<![\w.,])(\d+(?:[.,]\d+)?)\s*(mm|cm|µm|μm|um)(?!\w)", re.I)
_MM = {"mm": 1.0, "cm": 10.0}


def without_thickness(name):
    """(a name without the thickness it says, the thickness in mm or None): `T total 3 mm (%)`, `glass_0,5cm`."""
    found = _THICK.search(name.replace("_", " ")) if len(name) <= _LONGEST else None
    if not found:
        return name, None
    rest = (name[: found.start()] + name[found.end() :]).replace("()", "").replace("[]", "")
    mm = float(found[1].replace(",", ".")) * _MM.get(found[2].lower(), 1e-3)
    return " ".join(rest.strip(" _-,;:/@").split()), mm
