"""From a surface's parameters to the arrays that the kernels read."""

from dataclasses import dataclass
from functools import lru_cache

import numpy as np

from ..colour import WAVELENGTHS, coefficients_of_rgb, interpolated, reflectance_of_rgb
from ..optics.diffuse import oren_nayar_multiple
from ..optics.dispersion import cauchy_ior
from ..optics.fresnel import fresnel_conductor, fresnel_face_edge
from ..optics.media import absorption_from_colour, absorption_from_extinction
from . import lobes
from .albedo import MU, body_weight, hemispherical, interface_shares, lost_lobe
from .constants import FROM_READING, table
from .model import Surface

SMOOTHEST_ALPHA = 1e-4
"""A perfect polish is drawn as this slope width: far below any aperture or pixel, yet never singular."""
_NODES = 3


@dataclass(frozen=True, eq=False)
class CompiledSurface:
    """Arrays for the kernels of `lobes`; see there for the rows. Spectra are on `WAVELENGTHS`."""

    scalars: np.ndarray
    spectra: np.ndarray
    tables: np.ndarray
    metal_lost: np.ndarray

    @property
    def arrays(self):
        return self.scalars, self.spectra, self.tables, self.metal_lost

    def index_at(self, wavelength_nm):
        """Index of refraction of the dielectric body at wavelengths within 380–780 nm."""
        return interpolated(WAVELENGTHS, self.spectra[lobes.ETA, : WAVELENGTHS.size], np.asarray(wavelength_nm, float))


def constants_of(surface, reading=None):
    """(n, k) on `WAVELENGTHS` of the chosen constants, or None where none are chosen.

    reading: (wavelength_nm, n, k) of the specimen's own reading. ValueError where it is wanted and absent.
    """
    key = surface["constants"]
    if not key:
        return None
    if key == FROM_READING:
        if reading is None:
            raise ValueError("constants is 'reading', but the specimen has no active reading of optical constants")
        wavelength, n, k = reading
        return interpolated(wavelength, n, WAVELENGTHS), interpolated(wavelength, k, WAVELENGTHS)
    return table(key).on_grid()


def body_constants(surface, reading=None):
    """(n, k) on `WAVELENGTHS` as the body has them: from the chosen table, or index and Abbe number.

    None for a metal described by face and edge colour.
    """
    chosen = constants_of(surface, reading)
    if chosen is not None:
        return chosen
    if surface["metalness"] >= 1.0:
        return None
    return cauchy_ior(WAVELENGTHS, surface["ior"], surface["abbe"]), np.zeros(WAVELENGTHS.size)


def absorption(surface, reading=None):
    """Absorption coefficient of the interior, per mm on `WAVELENGTHS`.

    The colour at depth, the further coefficient and the table's extinction add up.
    """
    total = absorption_from_colour(reflectance_of_rgb(surface["interior.colour"]), surface["interior.depth"])
    total = total + coefficients_of_rgb(surface["interior.absorption"])
    chosen = constants_of(surface, reading)
    if chosen is not None:
        total = total + absorption_from_extinction(WAVELENGTHS, chosen[1])
    return np.maximum(total, 0.0)


@lru_cache(maxsize=64)
def _interface(alpha, eta):
    """((reflected, passed) from outside, (reflected, passed) from inside) by cosine, cached."""
    return interface_shares(alpha, eta), interface_shares(alpha, 1.0 / eta)


def _mixed(pairs, share):
    (r1, t1), (r2, t2) = pairs
    return r1 * (1.0 - share) + r2 * share, t1 * (1.0 - share) + t2 * share


def _node_tables(eta, alpha, alpha_haze, haze):
    """Tables and lost-lobe weights of a dielectric interface at one index."""
    outside, inside = _interface(alpha, eta)
    if haze > 0.0:
        hazy = _interface(alpha_haze, eta)
        outside, inside = _mixed((outside, hazy[0]), haze), _mixed((inside, hazy[1]), haze)
    (r_o, t_o), (r_i, t_i) = outside, inside
    lost_out, mean_out = lost_lobe(1.0 - r_o - t_o)
    lost_in, mean_in = lost_lobe(1.0 - r_i - t_i)
    # The lost light leaves on either side; reciprocity ties the two shares by the étendue n².
    out_through = in_through = 0.0
    if mean_out > 0.0 and mean_in > 0.0:
        in_through = hemispherical(t_i) / max(hemispherical(r_i + t_i), 1e-12)
        out_through = in_through * eta * eta * mean_in / mean_out
        if out_through > 1.0:
            in_through, out_through = in_through / out_through, 1.0
    ratio = np.sqrt(mean_out / mean_in) if mean_in > 0.0 else 0.0
    shares = np.array(
        [
            1.0 - out_through,
            out_through * ratio,
            1.0 - in_through,
            in_through / ratio if ratio > 0.0 else 0.0,
        ]
    )
    passed = np.clip(t_o + out_through * np.clip(1.0 - r_o - t_o, 0.0, 1.0), 0.0, 1.0)
    # With everything lost counted, what is not let in is reflected.
    return lost_out, lost_in, passed, shares, np.sqrt(np.pi * np.array([mean_out, mean_in]))


def compile_surface(surface: Surface, constants_reading=None) -> CompiledSurface:
    """Arrays for the kernels. Raises ValueError where the surface asks for a reading that is not there.

    constants_reading: (wavelength_nm, n, k) of the specimen's own optical constants, if it has them.
    """
    n = WAVELENGTHS.size
    scalars = np.zeros(lobes.SCALARS)
    spectra = np.zeros((lobes.SPECTRA, n))
    tables = np.zeros((lobes.TABLES, n, lobes.COSINES))
    metal_lost = np.zeros(lobes.COSINES)

    metalness, haze = surface["metalness"], surface["haze.amount"]
    roughness = surface["roughness"]
    hazy = roughness + (1.0 - roughness) * surface["haze.spread"]
    alpha, alpha_haze = max(roughness**2, SMOOTHEST_ALPHA), max(hazy**2, SMOOTHEST_ALPHA)
    scalars[lobes.METALNESS] = metalness
    scalars[lobes.ALPHA], scalars[lobes.ALPHA_HAZE] = alpha, alpha_haze
    scalars[lobes.HAZE] = haze
    scalars[lobes.TRANSMISSION] = surface["transmission"]
    scalars[lobes.DIFFUSE_ROUGHNESS] = surface["diffuse_roughness"]
    constants = body_constants(surface, constants_reading)

    if metalness > 0.0:
        if surface["constants"]:
            spectra[lobes.METAL_A], spectra[lobes.METAL_B] = constants
            fresnel = fresnel_conductor(MU, *(c[:, None] for c in constants))
        else:
            scalars[lobes.FACE_EDGE] = 1.0
            face, edge = (
                reflectance_of_rgb(surface["face_colour"]),
                reflectance_of_rgb(surface["edge_colour"]),
            )
            spectra[lobes.METAL_A], spectra[lobes.METAL_B] = face, edge
            fresnel = fresnel_face_edge(MU, face[:, None], edge[:, None])
        reflected = interface_shares(alpha, 1.0, metal=True)[0]
        if haze > 0.0:
            reflected = (1.0 - haze) * reflected + haze * interface_shares(alpha_haze, 1.0, metal=True)[0]
        metal_lost[:], lost = lost_lobe(1.0 - reflected)
        f = hemispherical(fresnel)
        scalars[lobes.METAL_LOST_SCALE] = np.sqrt(np.pi * lost)
        spectra[lobes.METAL_LOST] = f * f * (1.0 - lost) / (1.0 - f * lost)

    if metalness < 1.0:
        _compile_dielectric(surface, constants, constants_reading, scalars, spectra, tables)
    # A kernel takes a spectrum between two samples; one more column spares it the test at the end.
    spectra = np.hstack([spectra, spectra[:, -1:]])
    return CompiledSurface(scalars, np.ascontiguousarray(spectra), tables, metal_lost)


def _compile_dielectric(surface, constants, reading, scalars, spectra, tables):
    eta = np.maximum(constants[0], 1.0 + 1e-6)
    spectra[lobes.ETA] = eta
    dispersive = bool(np.ptp(eta) > 1e-9)
    scalars[lobes.DISPERSIVE] = float(dispersive)
    spectra[lobes.ABSORPTION] = absorption(surface, reading)

    # The index of matter is close to linear in 1 / wavelength², so a few nodes there serve the whole range.
    x = WAVELENGTHS**-2
    nodes = np.linspace(0, WAVELENGTHS.size - 1, _NODES).round().astype(int) if dispersive else np.array([0])
    finish = scalars[lobes.ALPHA], scalars[lobes.ALPHA_HAZE], scalars[lobes.HAZE]
    parts = [_node_tables(float(eta[i]), *finish) for i in nodes]
    lost_out, lost_in, passed, shares, scales = (np.stack(p) for p in zip(*parts, strict=True))
    scalars[lobes.LOST_OUT_SCALE : lobes.LOST_IN_SCALE + 1] = scales.mean(axis=0)
    weight = body_weight(passed, surface["diffuse_roughness"])
    let_in = hemispherical(passed)

    def spread(values):
        if len(nodes) == 1:
            return np.broadcast_to(values[0], (WAVELENGTHS.size, *values.shape[1:]))
        order = np.argsort(x[nodes])
        return np.moveaxis(interpolated(x[nodes][order], np.moveaxis(values[order], 0, -1), x), -1, 0)

    tables[lobes.BODY_WEIGHT] = spread(weight)
    tables[lobes.LOST_OUT], tables[lobes.LOST_IN] = spread(lost_out), spread(lost_in)
    spectra[lobes.LOST_REFLECT_OUT : lobes.LOST_TRANSMIT_IN + 1] = spread(shares).T
    # Light thrown back down under the interface meets the body again: 1 - let_in / n² of it each time.
    colour = reflectance_of_rgb(surface["colour"])
    escape = spread(let_in[:, None])[:, 0] / eta**2
    body = colour * escape / (1.0 - colour * (1.0 - escape))
    spectra[lobes.BODY] = body
    spectra[lobes.BODY_LOST] = oren_nayar_multiple_spectrum(body, surface["diffuse_roughness"])


def oren_nayar_multiple_spectrum(body, roughness):
    """`oren_nayar_multiple` for each albedo of a spectrum."""
    return np.array([oren_nayar_multiple(float(b), float(roughness)) for b in body])
