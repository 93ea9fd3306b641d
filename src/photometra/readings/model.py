"""A reading: one piece of measured evidence, with its uncertainty and tolerance. Immutable."""

from dataclasses import dataclass, field, fields, replace

import numpy as np

from ..colour import ILLUMINANTS, OBSERVERS, WAVELENGTHS
from ..colour.lamps import lamp_power
from ..errors import InputError
from ..names import MOST_LETTERS, one_line, shown
from ..shapes.lying import Spot, spot_of
from ..words import lowered, tr
from .geometries import MULTI_ANGLE
from .kinds import KINDS, POLARISATIONS, Kind, kind
from .systematic import NONE, Systematic, systematic_of
from .uncertainty import rule_of, sigma_by

_MOST_ROWS = 100_000
_RANGES = {
    "wavelength_nm": (100.0, 20_000.0),
    "angle_deg": (0.0, 90.0),
    "incidence_deg": (-90.0, 90.0),
    "view_deg": (-90.0, 90.0),
    "azimuth_deg": (-360.0, 360.0),
    "radius_mm": (0.0, 10_000.0),
    "sample": (1.0, 1e6),
    "patch": (1.0, 1e6),
}


@dataclass(frozen=True, eq=False)
class Reading:
    """Columns by name in the kind's units; `sigma` has one standard uncertainty for each value.

    columns: {name: (n,)}; sigma: {value column: (n,)}; masked: (n,), rows that count for nothing. A missing value is
    NaN. rule: how the uncertainty was stated ("2 % + 0.002"), where it was by a rule. thickness_mm: of the slab that
    was read, 0 where it does not matter or is the specimen's own. `source` says where it comes from (a file and
    line, a simulated device), `date` when; `active` whether the solver counts it. systematic: what all its values
    share. bandpass_nm: full width at half maximum of what the instrument takes for one wavelength, 0 where it is
    narrow. illuminated_mm, collected_mm: diameters of what is lit and of what is looked at, 0 where
    they are wide. illuminant: the light that a colour is told for, by name; light: its relative power on `WAVELENGTHS`
    where it is no standard one. spot: where on the specimen it was taken and how wide that place is, None for all.
    """

    name: str
    kind_key: str
    columns: dict[str, np.ndarray]
    sigma: dict[str, np.ndarray]
    masked: np.ndarray
    geometry: str = ""
    tolerance: float = 0.0
    active: bool = True
    source: str = ""
    notes: str = ""
    illuminant: str = "D65"
    light: tuple[float, ...] = ()
    observer: str = "1931-2"
    thickness_mm: float = 0.0
    date: str = ""
    rule: str = ""
    systematic: Systematic = NONE
    bandpass_nm: float = 0.0
    illuminated_mm: float = 0.0
    collected_mm: float = 0.0
    spot: Spot | None = None
    extra: dict[str, str] = field(default_factory=dict)

    @property
    def kind(self) -> Kind:
        return KINDS[self.kind_key]

    @property
    def rows(self):
        return next(iter(self.columns.values())).size

    @property
    def x(self):
        """The independent column that a chart runs along."""
        return self.columns[self.kind.along]

    @property
    def places(self):
        """The independent columns, {name: (n,)}: where a model is asked."""
        return {c: self.columns[c] for c in self.kind.places}

    @property
    def lit_by(self):
        """The light that a colour is told for, as the functions of `colour` take it."""
        return self.light or self.illuminant

    @property
    def told_apart(self):
        """What tells it from other readings of the same sample: `di:8`, `3 mm`, or its kind."""
        thick = f"{self.thickness_mm:g} mm" if self.thickness_mm else ""
        return f"{self.geometry} {thick}".strip() or lowered(self.kind.label)

    @property
    def label(self):
        thick = f", {self.thickness_mm:g} mm" if self.thickness_mm else ""
        return f"{self.kind.label} {self.geometry}".strip() + thick

    def stacked(self):
        """(values, sigmas), each (value columns, n)."""
        names = self.kind.values
        return np.stack([self.columns[c] for c in names]), np.stack([self.sigma[c] for c in names])

    @property
    def counted(self):
        """(value columns, n): which values are there and not masked."""
        return np.isfinite(self.stacked()[0]) & ~self.masked

    def difference(self, model):
        """model - values, (value columns, n), an angle's the short way round; 0 where nothing is counted."""
        values = self.stacked()[0]
        with np.errstate(invalid="ignore"):
            out = model - values
        if "delta_deg" in self.kind.values:
            i = self.kind.values.index("delta_deg")
            out[i] = (out[i] + 180.0) % 360.0 - 180.0
        return np.where(self.counted, out, 0.0)

    def series(self):
        """The lines of its chart: [(what tells them apart, rows)], each sorted along the axis."""
        others = [c for c in self.kind.places if c != self.kind.along]
        groups = {}
        for i in range(self.rows):
            groups.setdefault(tuple(float(self.columns[c][i]) for c in others), []).append(i)
        out = []
        for key, rows in groups.items():
            told = ", ".join(place_text(c, v) for c, v in zip(others, key, strict=True))
            rows = np.array(rows)
            out.append((told, rows[np.argsort(self.x[rows], kind="stable")]))
        return out

    def with_changes(self, **changes) -> "Reading":
        return replace(self, **changes)

    def remade(self, **changes) -> "Reading":
        """As `with_changes`, checked as a new reading is; ValueError where it will not do."""
        said = {f.name: getattr(self, f.name) for f in fields(self)}
        if self.systematic == _systematic(self.kind, None, self.thickness_mm):
            # What is usual follows whether there is a thickness.
            said["systematic"] = None
        return make_reading(**{**said, **changes})

    def key(self):
        """What makes two readings the same evidence."""
        data = tuple((c, v.tobytes()) for c, v in (*self.columns.items(), *self.sigma.items()))
        return (
            self.name, self.kind_key, data, self.masked.tobytes(), self.geometry, self.tolerance, self.active,
            self.source, self.notes, self.illuminant, self.light, self.observer, self.thickness_mm, self.date,
            self.rule,
            self.systematic, self.bandpass_nm, self.illuminated_mm, self.collected_mm, self.spot,
            tuple(sorted(self.extra.items())),
        )  # fmt: skip

    def __eq__(self, other):
        return isinstance(other, Reading) and self.key() == other.key()

    def __hash__(self):
        return hash(self.key())


_PLACE_UNITS = {
    "wavelength_nm": "nm", "angle_deg": "°", "incidence_deg": tr("° in"), "view_deg": "°",
    "azimuth_deg": tr("° azimuth"),
    "radius_mm": "mm",
}  # fmt: skip


def place_text(column, value):
    """A value of an independent column for people: `550 nm`, `s`, `45° in`."""
    if column == "polarisation":
        return letter_of(value)
    unit = _PLACE_UNITS.get(column, "")
    return f"{value:g}{'' if unit.startswith('°') else ' '}{unit}".strip() if unit else f"{column} {value:g}"


def letter_of(polarisation):
    """s, p or u of a share of p."""
    return next((letter for letter, share in POLARISATIONS.items() if share == polarisation), f"{polarisation:g}")


LENGTHS = ("thickness_mm", "bandpass_nm", "illuminated_mm", "collected_mm")
"""What a reading says of its set-up in lengths; 0 where it says nothing."""


def lengths_said(reading):
    """{name: text} of the lengths that a reading says, and of its place on the specimen."""
    said = {key: repr(getattr(reading, key)) for key in LENGTHS if getattr(reading, key)}
    return said | ({"place": reading.spot.text} if reading.spot else {})


def light_said(reading):
    """The relative power of the light of a reading that is no standard illuminant, as a text; else nothing."""
    return " ".join(f"{v:.6g}" for v in reading.light)


def make_reading(name, kind_key, columns, sigma=None, masked=None, **more) -> Reading:
    """A checked Reading; ValueError with one sentence where the data will not do.

    columns: {name: numbers}, all of the kind's columns (of its values, one at least where it may have gaps), at least
    one row, sorted here by its places. sigma: {value column: numbers}; where a column has none, `rule`, else the
    kind's usual uncertainty is taken. systematic: as a text or a `Systematic`; where neither is given, the usual one.
    """
    k = kind(kind_key)
    data = _data(k, columns)
    rows = data[k.columns[0]].size
    order = np.lexsort([data[c] for c in reversed(k.places)])
    relative, absolute = rule_of(more["rule"]) if more.get("rule") else k.usual_sigma
    spread = {}
    for column in k.values:
        given = None if sigma is None else sigma.get(column)
        s = sigma_by(data[column], relative, absolute) if given is None else np.array(given, float).ravel()
        if s.size == rows:
            s = np.where(np.isfinite(data[column]), s, 1.0)
        if s.size != rows or not np.isfinite(s).all() or (s <= 0).any():
            raise InputError(tr("the uncertainty of {0} must be a number above 0 in every row", column))
        spread[column] = s[order]
    masked = np.zeros(rows, bool) if masked is None else np.array(masked, float).ravel().astype(bool)
    if masked.size != rows:
        raise InputError(tr("a mask needs one entry for each row"))
    _checked(k, more)
    if k.key == "reflectance" and more["geometry"] not in MULTI_ANGLE and data["reflectance"].max() > 2.0:
        raise InputError(tr("reflectance must lie between 0 and 2, but for a multi-angle geometry"))
    data = {c: v[order] for c, v in data.items()}
    masked = masked[order]
    for array in (*data.values(), *spread.values(), masked):
        array.flags.writeable = False
    # A long name of a file's is cut, not refused: it can be changed.
    name = one_line(name)[:MOST_LETTERS] or k.label
    more = {key: shown(v) if isinstance(v, str) else v for key, v in more.items()}
    return Reading(name, kind_key, data, spread, masked, **more)


def _data(k, columns):
    """The kind's columns as arrays, checked."""
    there = [c for c in k.values if c in columns]
    if k.gaps and there:
        rows = np.size(columns[there[0]])
        columns = {**{c: np.full(rows, np.nan) for c in k.values}, **columns}
    if k.columns[0] in ("sample", "patch") and k.columns[0] not in columns and there:
        columns = {k.columns[0]: np.arange(1.0, np.size(columns[there[0]]) + 1.0), **columns}
    data = {}
    for column in k.columns:
        if column not in columns:
            raise InputError(tr("a reading of {0} needs a column {1}", lowered(k.label), column))
        data[column] = np.array(columns[column], dtype=float).ravel()
    sizes = {v.size for v in data.values()}
    if len(sizes) != 1 or 0 in sizes:
        raise InputError(
            tr("a reading of {0} needs the same number of rows, at least one, in every column", lowered(k.label))
        )
    if max(sizes) > _MOST_ROWS:
        raise InputError(tr("a reading may have {0} rows at the most", _MOST_ROWS))
    values = np.stack([data[c] for c in k.values])
    missing = np.isnan(values)
    if (
        not all(np.isfinite(data[c]).all() for c in k.places)
        or np.isinf(values).any()
        or (missing.any() and not k.gaps)
    ):
        raise InputError(tr("a reading's numbers must be finite"))
    if missing.all(axis=0).any():
        raise InputError(tr("every row needs at least one value"))
    limits = {c: k.limits_of(c) for c in k.values} | {c: _RANGES.get(c, (0.0, 1.0)) for c in k.places}
    for column, (low, high) in limits.items():
        beyond = (data[column] < low) | (data[column] > high)
        if beyond.any():
            i = int(np.argmax(beyond))
            raise InputError(
                tr(
                    "{0} must lie between {1} and {2}; in row {3} it is {4}",
                    column, f"{low:g}", f"{high:g}", i + 1, f"{data[column][i]:g}",
                )
            )  # fmt: skip
    if k.key == "gloss" and not np.isin(data["angle_deg"], (20.0, 60.0, 85.0)).all():
        raise InputError(tr("gloss is read at 20, 60 or 85 degrees"))
    return data


def _checked(k, more):
    """Check what a reading says beside its numbers, and fill in what it leaves out."""
    more["geometry"] = geometry = more.get("geometry", "") or (k.geometries[0] if k.geometries else "")
    if geometry and geometry not in k.geometries:
        choice = tr("choose from {0}", ", ".join(k.geometries)) if k.geometries else tr("this kind has none")
        raise InputError(tr("there is no geometry '{0}': {1}", geometry, choice))
    more["tolerance"] = tolerance = float(more.get("tolerance", 0.0) or k.tolerance)
    if not (np.isfinite(tolerance) and tolerance > 0):
        raise InputError(tr("a tolerance must be a number above 0"))
    more["thickness_mm"] = thickness = float(more.get("thickness_mm", 0.0))
    if not 0.0 <= thickness <= 10_000.0:
        raise InputError(tr("a thickness must lie between 0 and 10000 mm"))
    if thickness and not k.takes_thickness:
        raise InputError(tr("a reading of {0} has no thickness", lowered(k.label)))
    names = {"bandpass_nm": "band-pass", "illuminated_mm": tr("illuminated area"), "collected_mm": tr("collected area")}
    for key, what in names.items():
        more[key] = value = float(more.get(key, 0.0))
        if not 0.0 <= value <= 1000.0:
            raise InputError(tr("a {0} must lie between 0 and 1000 {1}", what, key[-2:]))
        if value and not k.takes(key):
            raise InputError(tr("a reading of {0} has no {1}", lowered(k.label), what))
    if isinstance(more.get("spot"), str):
        more["spot"] = spot_of(more["spot"])
    more["systematic"] = _systematic(k, more.get("systematic"), thickness)
    more["light"] = light_of(more.get("illuminant", "D65"), more.get("light", ()))
    if more.get("observer", "1931-2") not in OBSERVERS:
        raise InputError(tr("choose the observer from {0}", ", ".join(OBSERVERS)))


def light_of(name, said=()):
    """The relative power of a light that is no standard illuminant: as said, or of a lamp by its name."""
    if name in ILLUMINANTS:
        return ()
    if not said:
        try:
            return lamp_power(name)
        except InputError:
            raise InputError(
                tr(
                    "choose the illuminant from {0}, or a lamp as LED or 4100 K; there is no '{1}'",
                    ", ".join(ILLUMINANTS),
                    name,
                )
            ) from None
    try:
        power = np.array(said.split() if isinstance(said, str) else said, float)
    except ValueError:
        power = np.zeros(0)
    if power.shape != WAVELENGTHS.shape or not np.isfinite(power).all() or power.min() < 0.0 or power.max() <= 0.0:
        raise InputError(tr("the power of the light '{0}' must be {1} numbers of 0 and more", name, WAVELENGTHS.size))
    return tuple(float(v) for v in power)


def _systematic(k, said, thickness):
    """What a reading of a kind says of its systematic uncertainties, checked, or what is usual."""
    if said is None or said == "":
        usual = k.usual_systematic
        return usual if thickness else replace(usual, thickness_mm=0.0)
    found = said.checked() if isinstance(said, Systematic) else systematic_of(said)
    for f in fields(found):
        if getattr(found, f.name) and f.name not in k.effects:
            raise InputError(tr("a reading of {0} has no systematic {1}", lowered(k.label), f.name.partition("_")[0]))
    return found
