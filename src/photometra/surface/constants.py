"""The built-in tables of measured optical constants."""

from dataclasses import dataclass
from functools import cache
from importlib.resources import files

import numpy as np

from ..colour import WAVELENGTHS, interpolated
from ..errors import InputError
from ..words import tr

FROM_READING = "reading"
"""The value of `constants` that stands for the specimen's own reading."""
FROM_MODEL = "model"
"""The value of `constants` that stands for free electrons and oscillators, the parameters `model.*`."""


@dataclass(frozen=True, eq=False)
class ConstantsTable:
    """n and k by wavelength. `covers` tells whether it spans 380–780 nm; its ends are held beyond."""

    key: str
    name: str
    matter: str
    source: str
    wavelength_nm: np.ndarray
    n: np.ndarray
    k: np.ndarray

    @property
    def range_nm(self):
        return float(self.wavelength_nm[0]), float(self.wavelength_nm[-1])

    @property
    def covers(self):
        return self.range_nm[0] <= WAVELENGTHS[0] and self.range_nm[1] >= WAVELENGTHS[-1]

    @property
    def is_opaque(self):
        """Whether light dies within micrometres: the body is a metal, or reflects like one."""
        seen = (self.wavelength_nm >= 400.0) & (self.wavelength_nm <= 700.0)
        return bool(np.mean(self.k[seen] if seen.any() else self.k) > 0.05)

    def on_grid(self, wavelengths=WAVELENGTHS):
        """(n, k) at wavelengths, linearly between the table's, the ends held."""
        at = np.asarray(wavelengths, float)
        return interpolated(self.wavelength_nm, self.n, at), interpolated(self.wavelength_nm, self.k, at)


def _folder():
    return files("photometra.surface").joinpath("tables")


@cache
def table_names():
    """Every built-in table's name, in order."""
    return tuple(sorted(f.name[:-4] for f in _folder().iterdir() if f.name.endswith(".csv")))


@cache
def table(key) -> ConstantsTable:
    """A built-in table by name; ValueError, naming near ones, where there is none."""
    check_name(key)
    lines = _folder().joinpath(f"{key}.csv").read_text(encoding="utf-8").splitlines()
    head = dict(line[1:].split(":", 1) for line in lines if line.startswith("#"))
    head = {k.strip(): v.strip() for k, v in head.items()}
    rows = np.array([[float(v) for v in line.split(",")] for line in lines if line and line[0].isdigit()])
    return ConstantsTable(key, head["name"], head["class"], head["source"], *rows.T)


def choosing(key):
    """The changes that put a table in place: its name, and the metalness that fits its matter.

    "reading" leaves the metalness as it is.
    """
    if key == FROM_READING:
        return {"constants": key}
    if key == FROM_MODEL:
        return {"constants": key, "metalness": 1.0}
    return {"constants": key, "metalness": 1.0 if table(key).is_opaque else 0.0}


def check_name(key):
    """`key` if it is empty, "reading", "model" or a built-in table; ValueError otherwise."""
    if key in ("", FROM_READING, FROM_MODEL) or key in table_names():
        return key
    import difflib

    near = difflib.get_close_matches(key, table_names(), 3, 0.3)
    hint = tr("did you mean {0}?", ", ".join(near)) if near else tr("see 'photometra constants'")
    raise InputError(tr("there is no table of optical constants '{0}': {1}", key, hint))
