"""Whether a surface scatters over the lengths that its readings tell: a scale off by ten is a slip of a unit."""

import numpy as np

from ..surface.checks import Finding

_OFF = 3.0


def scale_findings(surface, agreements) -> list[Finding]:
    """What the scatter and coefficient readings say of a surface's lengths, by how far the model is from them."""
    found = []
    for a in agreements:
        if a.model is None or not a.reading.active or a.reading.kind_key not in ("scatter", "coefficients"):
            continue
        ratio = _reach(a.reading, a.reading.stacked()[0]) / _reach(a.reading, a.model)
        if not np.isfinite(ratio) or 1.0 / _OFF < ratio < _OFF:
            continue
        words = f"{ratio:.2g} times as far as" if ratio > 1.0 else f"only {ratio:.2g} times as far as"
        mend = {}
        if surface.applies("subsurface.scale"):
            mend = {"subsurface.scale": float(np.clip(surface["subsurface.scale"] * ratio, 0.001, 1000.0))}
        found.append(
            Finding(f"By {a.reading.name} light reaches {words} on this surface: is a length in another unit?",
                    "Scale it" if mend else "", mend)
        )  # fmt: skip
    return found


def _reach(reading, values):
    """A length that a reading's values stand for: the mean radius of a profile, or a mean free path."""
    with np.errstate(divide="ignore", invalid="ignore"):
        if reading.kind_key == "scatter":
            r, e = reading.x, np.nan_to_num(values[0])
            return float(np.sum(r * r * r * e) / np.sum(r * r * e))
        counted = reading.counted
        total = np.where(counted, values, 0.0)[counted.any(axis=1)].sum(axis=0)
        return float(1.0 / np.median(total))
