"""A reading: one piece of measured evidence, with its uncertainty and tolerance. Immutable."""

from dataclasses import dataclass, field, replace

import numpy as np

from .kinds import KINDS, Kind, kind

_MOST_ROWS = 100_000


@dataclass(frozen=True, eq=False)
class Reading:
    """Columns by name in the kind's units; `sigma` has one standard uncertainty for each value.

    columns: {name: (n,)}; sigma: {value column: (n,)}. `source` says where it comes from (a file and line, a
    simulated instrument); `active` whether the solver counts it.
    """

    name: str
    kind_key: str
    columns: dict[str, np.ndarray]
    sigma: dict[str, np.ndarray]
    geometry: str = ""
    tolerance: float = 0.0
    active: bool = True
    source: str = ""
    notes: str = ""
    illuminant: str = "D65"
    observer: str = "1931-2"
    extra: dict[str, str] = field(default_factory=dict)

    @property
    def kind(self) -> Kind:
        return KINDS[self.kind_key]

    @property
    def rows(self):
        return next(iter(self.columns.values())).size

    @property
    def x(self):
        """The first independent column."""
        return self.columns[self.kind.columns[0]]

    @property
    def label(self):
        return f"{self.kind.label} {self.geometry}".strip()

    def stacked(self):
        """(values, sigmas), each (value columns, n)."""
        names = self.kind.values
        return np.stack([self.columns[c] for c in names]), np.stack([self.sigma[c] for c in names])

    def with_changes(self, **changes) -> "Reading":
        return replace(self, **changes)

    def key(self):
        """What makes two readings the same evidence."""
        data = tuple((c, v.tobytes()) for c, v in (*self.columns.items(), *self.sigma.items()))
        return (
            self.name, self.kind_key, data, self.geometry, self.tolerance, self.active, self.source, self.notes,
            self.illuminant, self.observer, tuple(sorted(self.extra.items())),
        )  # fmt: skip

    def __eq__(self, other):
        return isinstance(other, Reading) and self.key() == other.key()

    def __hash__(self):
        return hash(self.key())


def make_reading(name, kind_key, columns, sigma=None, **more) -> Reading:
    """A checked Reading; ValueError with one sentence where the data will not do.

    columns: {name: numbers}, all of the kind's columns, at least one row, sorted here by the first. sigma:
    {value column: numbers}; where a column has none, the kind's usual uncertainty is taken.
    """
    k = kind(kind_key)
    data = {}
    for column in k.columns:
        if column not in columns:
            raise ValueError(f"a reading of {k.label.lower()} needs a column {column}")
        data[column] = np.array(columns[column], dtype=float).ravel()
    sizes = {v.size for v in data.values()}
    if len(sizes) != 1 or 0 in sizes:
        raise ValueError(f"a reading of {k.label.lower()} needs the same number of rows, at least one, in every column")
    if max(sizes) > _MOST_ROWS:
        raise ValueError(f"a reading may have {_MOST_ROWS} rows at the most")
    if not all(np.isfinite(v).all() for v in data.values()):
        raise ValueError("a reading's numbers must be finite")
    for column in k.values:
        low, high = k.limits
        if (data[column] < low).any() or (data[column] > high).any():
            raise ValueError(f"{column} must lie between {low:g} and {high:g}")
    if k.columns[0] == "wavelength_nm" and ((data["wavelength_nm"] < 100) | (data["wavelength_nm"] > 20000)).any():
        raise ValueError("wavelength_nm must lie between 100 and 20000")
    if k.columns[0] == "angle_deg" and not np.isin(data["angle_deg"], (20.0, 60.0, 85.0)).all():
        raise ValueError("gloss is read at 20, 60 or 85 degrees")
    order = np.argsort(data[k.columns[0]], kind="stable")
    if (np.diff(data[k.columns[0]][order]) <= 0).any():
        raise ValueError(f"each {k.columns[0]} may stand in one row only")
    relative, absolute = k.usual_sigma
    spread = {}
    for column in k.values:
        given = None if sigma is None else sigma.get(column)
        s = relative * np.abs(data[column]) + absolute if given is None else np.array(given, float).ravel()
        if s.size != data[column].size or not np.isfinite(s).all() or (s <= 0).any():
            raise ValueError(f"the uncertainty of {column} must be a number above 0 in every row")
        spread[column] = s[order]
    geometry = more.pop("geometry", "") or (k.geometries[0] if k.geometries else "")
    if geometry and geometry not in k.geometries:
        choice = f"choose from {', '.join(k.geometries)}" if k.geometries else "this kind has none"
        raise ValueError(f"there is no geometry '{geometry}': {choice}")
    tolerance = float(more.pop("tolerance", 0.0) or k.tolerance)
    if not (np.isfinite(tolerance) and tolerance > 0):
        raise ValueError("a tolerance must be a number above 0")
    from ..colour import ILLUMINANTS, OBSERVERS

    if more.get("illuminant", "D65") not in ILLUMINANTS or more.get("observer", "1931-2") not in OBSERVERS:
        raise ValueError(
            f"choose the illuminant from {', '.join(ILLUMINANTS)}, the observer from {', '.join(OBSERVERS)}"
        )
    data = {c: v[order] for c, v in data.items()}
    for array in (*data.values(), *spread.values()):
        array.flags.writeable = False
    return Reading(name, kind_key, data, spread, geometry, tolerance, **more)
