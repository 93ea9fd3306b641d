"""From a surface's parameters to the arrays that the kernels read."""

from dataclasses import dataclass

import numpy as np

from ..colour import WAVELENGTHS, coefficients_of_rgb, interpolated, reflectance_of_rgb
from ..optics.diffuse import oren_nayar_multiple
from ..optics.dispersion import cauchy_ior
from ..optics.halfspace import single_albedo
from ..optics.media import absorption_from_colour, absorption_from_extinction
from ..optics.metal import constants_from_colours
from . import lobes
from .albedo import FACETS, body_weight, facet_shares, hemispherical, lost_lobe
from .coat import compile_coat, cover
from .constants import FROM_READING, table
from .model import Surface
from .split import split_of

SMOOTHEST_ALPHA = 1e-4
"""A perfect polish is drawn as this slope width: far below any aperture or pixel, yet never singular."""
_NODES = 3


def subsurface_coefficients(surface, escape, ior):
    """(scattering, absorption) per mm on `WAVELENGTHS` of the subsurface, from its colour and mean free path.

    A deep block of it looks, under its interface and facing us, like a body of `subsurface.colour`.
    """
    path = coefficients_of_rgb(surface["subsurface.radius"]) * surface["subsurface.scale"]
    single = single_albedo(reflectance_of_rgb(surface["subsurface.colour"]), escape, ior)
    return single / path, (1.0 - single) / path


@dataclass(frozen=True, eq=False)
class CompiledSurface:
    """Arrays for the kernels of `lobes`; see there for the rows. Spectra are on `WAVELENGTHS`."""

    scalars: np.ndarray
    spectra: np.ndarray
    tables: np.ndarray
    curves: np.ndarray

    @property
    def arrays(self):
        return self.scalars, self.spectra, self.tables, self.curves

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


def compile_surface(surface: Surface, constants_reading=None) -> CompiledSurface:
    """Arrays for the kernels. Raises ValueError where the surface asks for a reading that is not there.

    constants_reading: (wavelength_nm, n, k) of the specimen's own optical constants, if it has them.
    """
    n = WAVELENGTHS.size
    scalars = np.zeros(lobes.SCALARS)
    spectra = np.zeros((lobes.SPECTRA, n))
    tables = np.zeros((lobes.TABLES, n, lobes.COSINES))
    curves = np.zeros((lobes.CURVES, lobes.COSINES))
    spectra[lobes.WAVELENGTH] = WAVELENGTHS
    _compile_finish(surface, scalars)
    constants = body_constants(surface, constants_reading)
    through_coat = compile_coat(surface, SMOOTHEST_ALPHA, scalars, curves)
    metalness, albedo = surface["metalness"], np.zeros(n)
    if metalness > 0.0:
        albedo += metalness * _compile_metal(surface, constants, scalars, spectra, curves)
    if metalness < 1.0:
        albedo += (1.0 - metalness) * _compile_dielectric(
            surface, constants, constants_reading, scalars, spectra, tables
        )
    if through_coat is not None:
        cover(surface, through_coat, albedo, scalars, tables)
    # A kernel takes a spectrum between two samples; one more column spares it the test at the end.
    spectra = np.hstack([spectra, spectra[:, -1:]])
    return CompiledSurface(scalars, np.ascontiguousarray(spectra), tables, curves)


def compile_measured(surface: Surface, constants_reading=None) -> CompiledSurface:
    """As `compile_surface`, as an instrument sees the surface whose spot is wide: see `Surface.as_measured`."""
    return compile_surface(surface.as_measured(), constants_reading)


def _compile_finish(surface, scalars):
    roughness = surface["roughness"]
    hazy = roughness + (1.0 - roughness) * surface["haze.spread"]
    scalars[lobes.METALNESS] = surface["metalness"]
    scalars[lobes.ALPHA] = max(roughness**2, SMOOTHEST_ALPHA)
    scalars[lobes.ALPHA_HAZE] = max(hazy**2, SMOOTHEST_ALPHA)
    scalars[lobes.HAZE] = surface["haze.amount"]
    clear = surface["transmission"]
    below = (1.0 - clear) * surface["subsurface"]
    scalars[lobes.TRANSMISSION] = clear + below
    scalars[lobes.CLEAR_SHARE] = clear / (clear + below) if clear + below > 0.0 else 1.0
    scalars[lobes.ASYMMETRY] = surface["interior.asymmetry"]
    scalars[lobes.DIFFUSE_ROUGHNESS] = surface["diffuse_roughness"]
    if surface["film.thickness"] > 0.0:
        scalars[lobes.FILM] = surface["film.amount"]
    scalars[lobes.FILM_THICKNESS], scalars[lobes.FILM_IOR] = surface["film.thickness"], surface["film.ior"]


def _shares(scalars, eta):
    """`facet_shares` of the finish and its haze together, for far over near `eta`."""
    haze = scalars[lobes.HAZE]
    shares = facet_shares(scalars[lobes.ALPHA], eta)
    if haze <= 0.0:
        return shares
    wide = facet_shares(scalars[lobes.ALPHA_HAZE], eta)
    return tuple((1.0 - haze) * a + haze * b for a, b in zip(shares, wide, strict=True))


def _reflectances(scalars, spectra, inside, metal):
    """What facets reflect at `FACETS`, (FACETS.size, wavelengths)."""
    out = np.empty((FACETS.size, spectra.shape[1]))
    lobes.facet_reflectances(FACETS, inside, metal, scalars, np.ascontiguousarray(spectra), out)
    return out


def _compile_metal(surface, constants, scalars, spectra, curves):
    """Fill in the metal; returns its hemispherical albedo by wavelength."""
    spectra[lobes.METAL_TINT] = reflectance_of_rgb(surface["tint"])
    if surface["constants"]:
        spectra[lobes.METAL_A], spectra[lobes.METAL_B] = constants
    else:
        face, edge = reflectance_of_rgb(surface["face_colour"]), reflectance_of_rgb(surface["edge_colour"])
        if scalars[lobes.FILM] > 0.0 or scalars[lobes.COAT] > 0.0:
            # Interference and a coat need n and k, which colours do not have: the metal of these colours stands in.
            face, edge = constants_from_colours(face, edge)
        else:
            scalars[lobes.FACE_EDGE] = 1.0
        spectra[lobes.METAL_A], spectra[lobes.METAL_B] = face, edge
    curves[lobes.METAL_CURVE], lost = lost_lobe(1.0 - _shares(scalars, 1.0)[0].sum(axis=1))
    f = hemispherical(_reflectances(scalars, spectra, False, True).T)
    scalars[lobes.METAL_LOST_SCALE] = np.sqrt(np.pi * lost)
    spectra[lobes.METAL_LOST] = f * f * (1.0 - lost) / (1.0 - f * lost)
    return f * (1.0 - lost) + spectra[lobes.METAL_LOST] * lost


def _compile_dielectric(surface, constants, reading, scalars, spectra, tables):
    """Fill in the dielectric; returns its hemispherical albedo by wavelength, light that goes on below counted in."""
    eta = np.maximum(constants[0], 1.0 + 1e-6)
    spectra[lobes.ETA] = eta
    dispersive = bool(np.ptp(eta) > 1e-9)
    scalars[lobes.DISPERSIVE] = float(dispersive)
    spectra[lobes.ABSORPTION] = absorption(surface, reading)
    spectra[lobes.SCATTER] = coefficients_of_rgb(surface["interior.scatter"])
    # Where nothing changes with wavelength, one stands for all.
    count = WAVELENGTHS.size if dispersive or scalars[lobes.FILM] > 0.0 else 1
    both = [share for inside in (False, True) for share in _interface(scalars, spectra, inside, count)]
    sides = split_of(*both, eta[:count])
    let_in = hemispherical(sides.passed)
    tables[lobes.BODY_WEIGHT] = body_weight(sides.passed, surface["diffuse_roughness"])
    tables[lobes.LOST_OUT], tables[lobes.LOST_IN] = sides.lost_out, sides.lost_in
    scalars[lobes.LOST_OUT_SCALE] = np.sqrt(np.pi * sides.mean_out).mean()
    scalars[lobes.LOST_IN_SCALE] = np.sqrt(np.pi * sides.mean_in).mean()
    spectra[lobes.LOST_REFLECT_OUT] = 1.0 - sides.out_through
    spectra[lobes.LOST_TRANSMIT_OUT] = sides.out_through * sides.ratio
    spectra[lobes.LOST_REFLECT_IN] = 1.0 - sides.in_through
    spectra[lobes.LOST_TRANSMIT_IN] = sides.in_through * sides.inverse
    # Light thrown back down under the interface meets the body again: 1 - let_in / n² of it each time.
    colour = reflectance_of_rgb(surface["colour"])
    coat = scalars[lobes.COAT]
    escape = let_in / (eta * (1.0 - coat + coat / max(scalars[lobes.COAT_IOR], 1.0))) ** 2
    if surface["subsurface"] > 0.0:
        spectra[lobes.SUB_SCATTER], spectra[lobes.SUB_ABSORPTION] = subsurface_coefficients(
            surface, escape, float(eta.mean())
        )
    body = colour * escape / (1.0 - colour * (1.0 - escape))
    spectra[lobes.BODY] = body
    spectra[lobes.BODY_LOST] = oren_nayar_multiple_spectrum(body, surface["diffuse_roughness"])
    below = scalars[lobes.TRANSMISSION]
    return 1.0 - let_in * (1.0 - below) * (1.0 - body)


def _interface(scalars, spectra, inside, count):
    """(reflected, passed) by single scattering of a dielectric interface, (count, COSINES) each.

    `count` 1 takes the first wavelength for all.
    """
    f = _reflectances(scalars, spectra[:, :count], inside, False)
    eta = spectra[lobes.ETA, :count]
    relative = 1.0 / eta if inside else eta
    if count == 1 or np.ptp(eta) <= 1e-9:
        reflected, passed = _shares(scalars, float(relative[0]))
        return (reflected @ f).T, (passed @ (1.0 - f)).T
    # How refraction spreads changes slowly, close to linearly in 1 / wavelength²: three indices serve the whole range.
    x = WAVELENGTHS[:count] ** -2.0
    nodes = np.array([count - 1, count // 2, 0])
    parts = [_shares(scalars, float(relative[i])) for i in nodes]
    passed = np.stack([(p @ (1.0 - f)).T for _, p in parts])
    between = np.stack([interpolated(x[nodes], row, x) for row in np.eye(_NODES)])
    return (parts[0][0] @ f).T, np.einsum("nl,nlc->lc", between, passed)


def oren_nayar_multiple_spectrum(body, roughness):
    """`oren_nayar_multiple` for each albedo of a spectrum."""
    return np.array([oren_nayar_multiple(float(b), float(roughness)) for b in body])
