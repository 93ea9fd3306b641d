"""The kinds of measured evidence: their columns, units, geometries and usual uncertainty."""

from dataclasses import dataclass

from ..errors import InputError
from ..words import tr
from .geometries import REFLECTANCE, THROUGH
from .systematic import NONE, Systematic

CHANNELS_NM = {"red": 640.0, "green": 545.0, "blue": 445.0}
"""Where a red, a green and a blue value stand among wavelengths: where each light of `colour.light_basis` is alone."""
POLARISATIONS = {"s": 0.0, "u": 0.5, "p": 1.0}
"""A polarisation by its letter, as the share of p in the light; columns of that name hold the number."""

_ANY = (0.0, float("inf"))


@dataclass(frozen=True)
class Kind:
    """One kind of reading. `columns`: the independent ones first (`independent` of them), then the values.

    axis: the independent column that a chart runs along; the others tell its lines apart. limits: what each value
    may be. usual_sigma: (relative, absolute) uncertainty where a file states none. gaps: whether a value may be
    missing in a row. effects: which systematic effects its values can share; usual_systematic: how uncertain these are
    where a file says nothing; angle: the column whose zero may be off. `metric` names what its agreement is told in,
    `tolerance` the usual limit of it.
    """

    key: str
    label: str
    columns: tuple[str, ...]
    independent: int
    usual_sigma: tuple[float, float]
    metric: str
    metric_label: str
    symbol: str
    tolerance: float
    geometries: tuple[str, ...] = ()
    limits: tuple[tuple[float, float], ...] = (_ANY,)
    axis: str = ""
    axis_label: str = ""
    value_label: str = ""
    gaps: bool = False
    takes_thickness: bool = False
    is_log: bool = False
    takes_bandpass: bool = False
    takes_port: bool = False
    effects: tuple[str, ...] = ("gain", "offset")
    usual_systematic: Systematic = NONE
    angle: str = ""

    @property
    def values(self):
        return self.columns[self.independent :]

    @property
    def places(self):
        """The independent columns."""
        return self.columns[: self.independent]

    @property
    def along(self):
        return self.axis or self.columns[0]

    def takes(self, length):
        """Whether a reading of this kind has such a length, by its name there (`thickness_mm` …)."""
        return {"thickness_mm": self.takes_thickness, "bandpass_nm": self.takes_bandpass}.get(length, self.takes_port)

    def limits_of(self, column):
        """(low, high) of a value column."""
        i = self.values.index(column)
        return self.limits[min(i, len(self.limits) - 1)]


_NM = tr("wavelength / nm")

KINDS = {
    k.key: k
    for k in (
        Kind(
            "constants", tr("Optical constants"), ("wavelength_nm", "n", "k"), 1, (0.01, 0.005),
            "rms", tr("rms difference of n and k"), "rms", 0.05, axis_label=_NM, value_label="n, k",
            effects=(),
        ),
        Kind(
            "reflectance", tr("Spectral reflectance"), ("wavelength_nm", "reflectance"), 1, (0.005, 0.001),
            "delta_e_2000", "ΔE2000", "ΔE", 1.0, geometries=REFLECTANCE, limits=((0.0, 100.0),),
            axis_label=_NM, value_label="reflectance", takes_thickness=True, takes_bandpass=True,
            takes_port=True,
            effects=("gain", "offset", "thickness_mm"), usual_systematic=Systematic(0.01, 0.001, 0.05),
        ),
        Kind(
            "gloss", tr("Gloss"), ("angle_deg", "gloss_units"), 1, (0.005, 0.3),
            "gloss_units", tr("largest gloss difference"), "GU", 2.0, limits=((0.0, 2500.0),),
            axis_label=tr("angle / °"), value_label=tr("gloss / GU"),
            usual_systematic=Systematic(0.005),
        ),
        Kind(
            "specular", tr("Specular reflectance"), ("angle_deg", "wavelength_nm", "polarisation", "reflectance"), 3,
            (0.005, 0.001), "rms", tr("rms difference of reflectance"), "rms", 0.01, limits=((0.0, 1.5),),
            axis_label=tr("angle / °"), value_label="reflectance",
            effects=("gain", "offset", "angle_deg"), usual_systematic=Systematic(0.005, angle_deg=0.05),
            angle="angle_deg",
        ),
        Kind(
            "lobe", tr("In-plane lobe"), ("incidence_deg", "view_deg", "brdf_per_sr"), 2, (0.02, 0.001),
            "relative", tr("mean relative difference"), "rel", 0.1, axis="view_deg", limits=((0.0, 1e9),),
            axis_label=tr("view angle / °"), value_label=tr("BRDF / 1/sr"), is_log=True,
            effects=("gain", "offset", "angle_deg"), usual_systematic=Systematic(0.02, angle_deg=0.1), angle="view_deg",
        ),
        Kind(
            "brdf", tr("BRDF table"), ("incidence_deg", "view_deg", "azimuth_deg", "brdf_per_sr"), 3, (0.02, 0.001),
            "relative", tr("mean relative difference"), "rel", 0.1, axis="view_deg", limits=((0.0, 1e9),),
            axis_label=tr("view angle / °"), value_label=tr("BRDF / 1/sr"), is_log=True,
            usual_systematic=Systematic(0.02),
        ),
        Kind(
            "ellipsometry", tr("Ellipsometry"), ("angle_deg", "wavelength_nm", "psi_deg", "delta_deg"), 2, (0.0, 0.1),
            "degrees", tr("rms difference of ψ and Δ"), "°", 0.5, limits=((0.0, 90.0), (-360.0, 360.0)),
            axis="wavelength_nm", axis_label=_NM, value_label="ψ, Δ / °",
            effects=("angle_deg",), usual_systematic=Systematic(angle_deg=0.02), angle="angle_deg",
        ),
        Kind(
            "index", tr("Index of refraction"), ("wavelength_nm", "n"), 1, (0.0, 0.0001),
            "index", tr("largest index difference"), "Δn", 0.0005, limits=((0.1, 10.0),),
            axis_label=_NM, value_label="n", effects=("offset",), usual_systematic=Systematic(offset=0.0001),
        ),
        Kind(
            "transmittance", tr("Transmittance"), ("wavelength_nm", "regular", "total"), 1, (0.005, 0.001),
            "rms", tr("rms difference of transmittance"), "rms", 0.01, limits=((0.0, 1.2),),
            axis_label=_NM, value_label="transmittance", gaps=True, takes_thickness=True,
            takes_bandpass=True,
            effects=("gain", "offset", "thickness_mm"), usual_systematic=Systematic(0.005, 0.0005, 0.05),
        ),
        Kind(
            "scatter", tr("Scatter profile"), ("radius_mm", "wavelength_nm", "exitance_per_mm2"), 2, (0.03, 1e-6),
            "relative", tr("mean relative difference"), "rel", 0.1, limits=((0.0, 1e9),),
            axis_label=tr("distance from the beam / mm"), value_label=tr("exitance / 1/mm²"), is_log=True,
            takes_thickness=True, effects=("gain",), usual_systematic=Systematic(0.05),
        ),
        Kind(
            "coefficients", tr("Coefficients"),
            ("wavelength_nm", "absorption_per_mm", "scatter_per_mm", "reduced_scatter_per_mm"), 1, (0.03, 1e-5),
            "relative", tr("mean relative difference"), "rel", 0.1, limits=((0.0, 1e6),),
            axis_label=_NM, value_label=tr("coefficient / 1/mm"), gaps=True, is_log=True,
            effects=("gain",), usual_systematic=Systematic(0.02),
        ),
        Kind(
            "colour", tr("Colour"), ("sample", "L", "a", "b"), 1, (0.0, 0.3),
            "delta_e_2000", "ΔE2000", "ΔE", 1.0, geometries=(*REFLECTANCE, THROUGH), takes_thickness=True,
            limits=((0.0, 200.0), (-200.0, 200.0)), axis_label="sample", value_label="L*, a*, b*", takes_port=True,
            effects=("gain", "thickness_mm"), usual_systematic=Systematic(0.01, thickness_mm=0.05),
        ),
        Kind(
            "photograph", tr("Photograph's patches"),
            ("patch", "incidence_deg", "view_deg", "red", "green", "blue"), 3, (0.02, 0.002),
            "delta_e_2000", "ΔE2000", "ΔE", 2.0, limits=((0.0, 1e6),),
            axis_label="patch", value_label=tr("linear, white is 1"), usual_systematic=Systematic(0.02),
        ),
    )
}  # fmt: skip
"""By key, in the order in which they are shown."""


def kind(key) -> Kind:
    """A kind by its key; ValueError, naming them all, where there is none."""
    try:
        return KINDS[key]
    except KeyError:
        raise InputError(tr("there is no kind of reading '{0}': choose from {1}", key, ", ".join(KINDS))) from None


_TOGETHER = ("reflectance", "transmittance")
"""What an integrating sphere writes side by side."""


def other_kinds(names, kind):
    """What else a table with columns of these names is, beside the kind it was taken for."""
    return [k for k in _TOGETHER if k != kind and kind in _TOGETHER and set(KINDS[k].values) & set(names)]


def left_over(meanings, kinds):
    """[(index, column)] of those that are known and that none of these kinds has."""
    wanted = {"sample", "patch", "masked", "polarisation"}
    for kind in filter(None, kinds):
        wanted |= set(KINDS[kind].columns) | (set("CLXYZabh") | {"red", "green", "blue"} if kind == "colour" else set())
    return [(i, m) for i, m in enumerate(meanings) if m.name and m.name.partition(":")[0] not in wanted]
