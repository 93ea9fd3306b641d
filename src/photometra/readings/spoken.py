"""What instruments and people write in German where the readers know an English word: columns, units, header lines."""

COLUMNS = {
    **dict.fromkeys(("wellenlänge", "wellenlaenge", "wellenlängen"), "wavelength"),
    **dict.fromkeys(("photonenenergie", "energie"), "photon_energy"),
    **dict.fromkeys(("winkel", "messwinkel", "einfallswinkel"), "angle"),
    **dict.fromkeys(("ausfallswinkel", "betrachtungswinkel", "beobachtungswinkel"), "view"),
    **dict.fromkeys(("azimut", "azimutwinkel"), "azimuth"),
    **dict.fromkeys(("probe", "muster", "messung"), "sample"),
    **dict.fromkeys(("brechzahl", "brechungsindex"), "index"),
    **dict.fromkeys(("extinktion", "extinktionskoeffizient"), "extinction"),
    **dict.fromkeys(
        ("reflexion", "reflexionsgrad", "reflektanz", "remission", "remissionsgrad", "spektraler_reflexionsgrad",
         "spektrale_remission"),
        "reflectance",
    ),
    **dict.fromkeys(("glanz", "glanzwert", "glanzgrad", "glanzeinheiten", "ge"), "gloss"),
    **dict.fromkeys(("transmission", "transmissionsgrad", "transmittanz", "gesamttransmission"), "transmittance"),
    **dict.fromkeys(("gerichtete_transmission", "gerichteter_transmissionsgrad"), "regular_transmittance"),
    "feld": "patch", "abstand": "distance", "streukoeffizient": "scattering", "streuung": "scattering",
    "absorptionskoeffizient": "absorption", "reduzierter_streukoeffizient": "reduced_scattering",
    "rot": "red", "grün": "green", "gruen": "green", "blau": "blue",
}  # fmt: skip
"""{a column's name in lower case, spaces as `_`: the English one that `columns` knows}."""
UNITS = {"prozent": "percent", "grad": "deg", "ge": "gu", "glanzeinheiten": "gu", "anteil": "fraction"}
UNCERTAINTY = "unsicherheit|messunsicherheit|standardabweichung|stdabw|stabw"
"""What a column of uncertainties begins with, as a pattern."""
HEAD = {
    **dict.fromkeys(
        ("probe", "probenname", "probenbezeichnung", "muster", "sample name", "sample id", "specimen",
         "specimen name"),
        "sample",
    ),
    **dict.fromkeys(("lichtart", "lichtart/beobachter", "illuminant/observer", "light source"), "illuminant"),
    **dict.fromkeys(
        ("beobachter", "normalbeobachter", "standard observer", "observer angle", "beobachterwinkel"), "observer"
    ),
    **dict.fromkeys(("geometrie", "messgeometrie", "messmodus", "glanzanteil"), "geometry"),
    "datum": "date", "messdatum": "date", "bemerkung": "notes", "bemerkungen": "notes", "dicke": "thickness",
    "schichtdicke": "thickness", "probendicke": "thickness", "bandbreite": "bandwidth", "messblende": "aperture",
    "blende": "aperture", "unsicherheit": "uncertainty", "messunsicherheit": "uncertainty",
}  # fmt: skip
"""{the key of a header line in lower case: the one that is read}."""


def head_key(key):
    """The key of a header line as it is read."""
    key = " ".join(key.split()).strip(" :").lower()
    return HEAD.get(key, key)
