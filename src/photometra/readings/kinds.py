"""The kinds of measured evidence: their columns, units, geometries and usual uncertainty."""

from dataclasses import dataclass


@dataclass(frozen=True)
class Kind:
    """One kind of reading. `columns`: the independent ones first (`independent` of them), then the values.

    usual_sigma: (relative, absolute) uncertainty where a file states none. `metric` names what its agreement
    is told in, and `tolerance` the usual limit of it.
    """

    key: str
    label: str
    columns: tuple[str, ...]
    independent: int
    usual_sigma: tuple[float, float]
    metric: str
    metric_label: str
    tolerance: float
    geometries: tuple[str, ...] = ()
    limits: tuple[float, float] = (0.0, float("inf"))
    axis_label: str = ""
    value_label: str = ""

    @property
    def values(self):
        return self.columns[self.independent :]


KINDS = {
    k.key: k
    for k in (
        Kind(
            "constants", "Optical constants", ("wavelength_nm", "n", "k"), 1, (0.01, 0.005),
            "rms", "rms difference of n and k", 0.05,
            axis_label="wavelength / nm", value_label="n, k",
        ),
        Kind(
            "reflectance", "Spectral reflectance", ("wavelength_nm", "reflectance"), 1, (0.005, 0.001),
            "delta_e_2000", "ΔE2000 under D65", 1.0, geometries=("di:8", "de:8", "45:0"), limits=(0.0, 2.0),
            axis_label="wavelength / nm", value_label="reflectance",
        ),
        Kind(
            "gloss", "Gloss", ("angle_deg", "gloss_units"), 1, (0.005, 0.3),
            "gloss_units", "largest gloss difference", 2.0, limits=(0.0, 2500.0),
            axis_label="angle / °", value_label="gloss / GU",
        ),
        Kind(
            "index", "Index of refraction", ("wavelength_nm", "n"), 1, (0.0, 0.0001),
            "index", "largest index difference", 0.0005, limits=(0.1, 10.0),
            axis_label="wavelength / nm", value_label="n",
        ),
    )
}  # fmt: skip
"""By key, in the order in which they are shown."""


def kind(key) -> Kind:
    """A kind by its key; ValueError, naming them all, where there is none."""
    try:
        return KINDS[key]
    except KeyError:
        raise ValueError(f"there is no kind of reading '{key}': choose from {', '.join(KINDS)}") from None
