"""From a surface's parameters to the arrays that the kernels read."""

import math
from dataclasses import dataclass
from functools import lru_cache

import numpy as np

from ..colour import (
    WAVELENGTHS,
    grid_weights,
    interpolated,
    xyz_to_linear_srgb,
)
from ..errors import InputError
from ..optics.diffuse import oren_nayar_multiple
from ..optics.dispersion import cauchy_ior, drude_lorentz
from ..optics.fibre_orders import order_shares
from ..optics.fibres import fibre_albedo
from ..optics.fresnel import fresnel_conductor
from ..optics.halfspace import single_albedo
from ..optics.media import absorption_from_colour, absorption_from_extinction
from ..optics.metal import colours_from_constants, constants_from_colours
from ..words import tr
from . import facets, rows
from .albedo import (
    FACETS,
    MU,
    body_weight,
    by_wavelength,
    finish_weight,
    hemispherical,
    landed_of,
    landing,
    lost_turn,
    multiple_scattering_lobe,
    shares_of,
)
from .coat import Buried, compile_coat
from .constants import FROM_MODEL, FROM_READING, table
from .faces import is_rough, rough_faces
from .model import Surface
from .sheet import SMOOTHEST_ALPHA, compile_sheet
from .spectrum import coefficients_of, reflectance_of
from .split import far_shares_of, film_absorbs, film_losses, reflectances_of, sent_back, split_of

_NODES, _FEW = 3, 5
_OF_MATTER = "colour", "radius"
_STRAIGHTEST_FIBRES, _MOST_SENT_BACK = 0.05, 0.999


def subsurface_coefficients(colour, mean_free_path_mm, escape, ior, faces=None):
    """(scattering, absorption) per mm on `WAVELENGTHS` of matter of a colour and a mean free path (RGB, mm).

    A deep block of it looks, under its interface (`faces`, else a polished one) and facing us, like a body of that
    colour.
    """
    path = coefficients_of(mean_free_path_mm)
    single = single_albedo(reflectance_of(colour), escape, ior, faces)
    return single / path, (1.0 - single) / path


@dataclass(frozen=True, eq=False)
class CompiledSurface:
    """Arrays for the kernels; see `rows` for what stands where. Spectra are on `WAVELENGTHS`."""

    scalars: np.ndarray
    spectra: np.ndarray
    tables: np.ndarray
    curves: np.ndarray

    @property
    def arrays(self):
        return self.scalars, self.spectra, self.tables, self.curves

    def index_at(self, wavelength_nm):
        """Index of refraction of the dielectric body at wavelengths within 380–780 nm."""
        return interpolated(WAVELENGTHS, self.spectra[rows.ETA, : WAVELENGTHS.size], np.asarray(wavelength_nm, float))


def constants_of(surface, reading=None):
    """(n, k) on `WAVELENGTHS` of the chosen constants, or None where none are chosen.

    reading: (wavelength_nm, n, k) of the specimen's own reading. ValueError where it is wanted and absent.
    """
    key = surface["constants"]
    if not key:
        return None
    if key == FROM_READING:
        if reading is None:
            raise InputError(tr("constants is 'reading', but the specimen has no active reading of optical constants"))
        wavelength, n, k = reading
        return interpolated(wavelength, n, WAVELENGTHS), interpolated(wavelength, k, WAVELENGTHS)
    if key == FROM_MODEL:
        free = (surface[f"model.{n}"] for n in ("background", "plasma", "damping"))
        bound = [tuple(surface[f"model.{n}{i}"] for n in ("strength", "energy", "width")) for i in (1, 2)]
        return drude_lorentz(WAVELENGTHS, *free, bound)
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


def colours_for(surface, reading=None):
    """({face_colour, edge_colour}, largest error in reflectance) with which a metal can do without its table.

    Gulbrandsen (2014). The error is against the table, over the visible wavelengths and from facing us to 82 degrees.
    """
    n, k = constants_of(surface, reading)
    face, edge = colours_from_constants(n, k)
    white = grid_weights("D65")
    rgb = [tuple(float(v) for v in np.clip(xyz_to_linear_srgb(s @ white), 0.0, 1.0)) for s in (face, edge)]
    back = constants_from_colours(*(reflectance_of(colour) for colour in rgb))
    cosines = np.array([1.0, 0.7, 0.4, 1.0 / 7.0])[:, None]
    seen = slice(4, 65)
    error = np.abs(fresnel_conductor(cosines, n, k) - fresnel_conductor(cosines, *back))[:, seen].max()
    return {"face_colour": rgb[0], "edge_colour": rgb[1]}, float(error)


def absorption(surface, reading=None):
    """Absorption coefficient of the interior, per mm on `WAVELENGTHS`.

    The colour at depth, the further coefficient and the table's extinction add up.
    """
    total = absorption_from_colour(reflectance_of(surface["interior.colour"]), surface["interior.depth"])
    total = total + coefficients_of(surface["interior.absorption"])
    chosen = constants_of(surface, reading)
    if chosen is not None:
        total = total + absorption_from_extinction(WAVELENGTHS, chosen[1])
    return np.maximum(total, 0.0)


@dataclass(frozen=True, eq=False)
class _Undyed:
    """A surface compiled but for the colours below its interface. Nothing else depends on them: along a map of them,
    or while a gauge is dragged, the rest is compiled once.

    passed: what is let in, by wavelength and cosine; let: what a sheet's wall lets through of that, or None; escape,
    back: of a body's light that meets the interface from within, what gets out, and what is thrown back.
    """

    compiled: CompiledSurface
    passed: np.ndarray
    let: np.ndarray | None
    escape: np.ndarray | float
    back: np.ndarray | float
    buried: Buried | None


_DYES = {"colour", "reverse.colour", *(f"subsurface.{d}{k}" for d in ("", "shallow_", "deep_") for k in _OF_MATTER)}
"""What `_Undyed` leaves out."""


def compile_surface(surface: Surface, constants_reading=None) -> CompiledSurface:
    """Arrays for the kernels. Raises ValueError where the surface asks for a reading that is not there.

    constants_reading: (wavelength_nm, n, k) of the specimen's own optical constants, if it has them.
    """
    plain = Surface({name: value for name, value in surface.given.items() if name not in _DYES}, surface.lies_on)
    undyed = _undyed(plain, constants_reading and tuple(tuple(map(float, column)) for column in constants_reading))
    scalars, spectra, tables, curves = (a.copy() for a in undyed.compiled.arrays)
    let = undyed.let
    if surface["metalness"] < 1.0:
        let = _dye(surface, undyed, scalars, spectra)
    if undyed.buried is not None:
        undyed.buried.show(surface, scalars, spectra, tables, (undyed.passed, let))
    # A kernel takes a spectrum between two samples; one more column spares it the test at the end.
    spectra = np.hstack([spectra, spectra[:, -1:]])
    return CompiledSurface(scalars, np.ascontiguousarray(spectra), tables, curves)


@lru_cache(maxsize=12)
def _undyed(surface, reading) -> _Undyed:
    """reading: of constants, as tuples."""
    reading = None if reading is None else tuple(map(np.array, reading))
    n = WAVELENGTHS.size
    scalars = np.zeros(rows.SCALARS)
    spectra = np.zeros((rows.SPECTRA, n))
    tables = np.zeros((rows.TABLES, n, rows.COSINES))
    curves = np.zeros((rows.CURVES, rows.COSINES))
    spectra[rows.WAVELENGTH] = WAVELENGTHS
    _compile_finish(surface, scalars)
    _compile_film(surface, scalars, spectra)
    constants = body_constants(surface, reading)
    coat_widths = _widths(surface["coat.roughness"], surface["coat.anisotropy"])
    coat_face = compile_coat(surface, coat_widths, scalars, curves)
    below, buried = (np.zeros((1, rows.COSINES)), None, 0.0, 0.0), None
    if surface["metalness"] > 0.0:
        _compile_metal(surface, constants, scalars, spectra, curves)
    if surface["metalness"] < 1.0:
        below = _compile_dielectric(surface, constants, reading, scalars, spectra, tables)
    if coat_face is not None:
        buried = Buried(surface, coat_face, scalars, spectra, tables)
    if surface["sheen.amount"] > 0.0:
        _compile_sheen(surface, scalars, spectra, tables, curves)
    _compile_chances(scalars, spectra, curves)
    return _Undyed(CompiledSurface(scalars, spectra, tables, curves), *below, buried)


@lru_cache(maxsize=8)
def _apart(surface):
    return compile_surface(surface)


def compile_apart(surface: Surface, constants_reading=None) -> CompiledSurface:
    """As `compile_surface`, kept for a while: several readings ask what wanders below apart from the body."""
    return _apart(surface) if constants_reading is None else compile_surface(surface, constants_reading)


def compile_boundary(within: CompiledSurface, around: CompiledSurface) -> CompiledSurface:
    """The polished boundary from one clear medium, `around`, into another, `within`: a liquid in its glass."""
    n = WAVELENGTHS.size
    scalars, spectra = np.zeros(rows.SCALARS), np.zeros((rows.SPECTRA, n))
    tables, curves = np.zeros((rows.TABLES, n, rows.COSINES)), np.zeros((rows.CURVES, rows.COSINES))
    for row in (rows.ALPHA_X, rows.ALPHA_Y, rows.HAZE_X, rows.HAZE_Y):
        scalars[row] = SMOOTHEST_ALPHA
    for row in (rows.TRANSMISSION, rows.CLEAR_SHARE, rows.OPACITY):
        scalars[row] = 1.0
    scalars[rows.ROTATION_COS] = 1.0
    spectra[rows.WAVELENGTH] = WAVELENGTHS
    eta = within.spectra[rows.ETA, :-1] / around.spectra[rows.ETA, :-1]
    # Where the two do not differ there is still a boundary, one that bends nothing.
    spectra[rows.ETA] = np.where(np.abs(eta - 1.0) < 1e-6, 1.0 + 1e-6, eta)
    scalars[rows.DISPERSIVE] = float(np.ptp(eta) > 1e-9)
    _compile_interface(spectra[rows.ETA], scalars, spectra, tables)
    _compile_chances(scalars, spectra, curves)
    spectra = np.hstack([spectra, spectra[:, -1:]])
    return CompiledSurface(scalars, np.ascontiguousarray(spectra), tables, curves)


def _widths(roughness, anisotropy):
    """Slope widths across the strokes and along them, of the same mean square (as in OpenPBR 1.1)."""
    alpha = roughness**2
    along = 1.0 - anisotropy
    across = alpha * math.sqrt(2.0 / (1.0 + along * along))
    return max(across, SMOOTHEST_ALPHA), max(along * across, SMOOTHEST_ALPHA)


def _compile_finish(surface, scalars):
    roughness, anisotropy = surface["roughness"], surface["anisotropy"]
    hazy = roughness + (1.0 - roughness) * surface["haze.spread"]
    scalars[rows.METALNESS] = surface["metalness"]
    scalars[rows.OPACITY] = surface["opacity"]
    scalars[rows.ALPHA_X], scalars[rows.ALPHA_Y] = _widths(roughness, anisotropy)
    scalars[rows.HAZE_X], scalars[rows.HAZE_Y] = _widths(hazy, anisotropy)
    scalars[rows.HAZE] = surface["haze.amount"]
    coat_strokes = surface["coat.anisotropy"] if surface["coat.amount"] > 0.0 else 0.0
    scalars[rows.ANISOTROPIC] = float(max(anisotropy, coat_strokes) > 0.0)
    turn = math.radians(surface["rotation"])
    scalars[rows.ROTATION_COS], scalars[rows.ROTATION_SIN] = math.cos(turn), math.sin(turn)
    clear = surface["transmission"]
    below = 0.0 if surface.is_sheet else (1.0 - clear) * surface["subsurface"]
    scalars[rows.TRANSMISSION] = clear + below
    scalars[rows.CLEAR_SHARE] = clear / (clear + below) if clear + below > 0.0 else 1.0
    scalars[rows.ASYMMETRY] = surface["interior.asymmetry"]
    scalars[rows.DIFFUSE_ROUGHNESS] = surface["diffuse_roughness"]
    if surface.is_sheet:
        scalars[rows.SHEET], scalars[rows.WALL] = 1.0, surface["thickness"]
        scalars[rows.TRANSLUCENCY] = surface["reverse.translucency"]


def _compile_film(surface, scalars, spectra):
    if surface["film.thickness"] > 0.0:
        scalars[rows.FILM] = surface["film.amount"]
    scalars[rows.FILM_THICKNESS] = surface["film.thickness"]
    if surface["film.constants"]:
        spectra[rows.FILM_N], spectra[rows.FILM_K] = table(surface["film.constants"]).on_grid()
    else:
        spectra[rows.FILM_N] = cauchy_ior(WAVELENGTHS, surface["film.ior"], surface["film.abbe"])


@lru_cache(maxsize=32)
def _fibre_albedo(spread):
    return fibre_albedo(MU, spread)


def _compile_sheen(surface, scalars, spectra, tables, curves):
    """Fill in the fibres, and the weights with which what lies below takes just what they let through."""
    amount, spread = surface["sheen.amount"], max(surface["sheen.roughness"], _STRAIGHTEST_FIBRES)
    scalars[rows.SHEEN], scalars[rows.SHEEN_SPREAD] = amount, spread
    spectra[rows.SHEEN_COLOUR] = colour = reflectance_of(surface["sheen.colour"])
    cosines, (orders, _) = order_shares(float(spread))
    further = amount * np.stack([np.interp(MU, cosines, order) for order in orders[1:]])
    coloured = np.power.outer(colour, np.arange(2.0, len(further) + 2.0)) @ further
    mean = math.pi * hemispherical(coloured)[:, None]
    tables[rows.SHEEN_MORE] = coloured / np.sqrt(np.maximum(mean, 1e-12))
    sent_back = np.minimum(amount * _fibre_albedo(float(spread)) + further.sum(axis=0), _MOST_SENT_BACK)
    curves[rows.SHEEN_REFLECTS] = sent_back
    landed = landed_of(scalars)
    if scalars[rows.COAT] > 0.0:
        # Seen through the coat, or sent back by it, a lobe is as wide as both faces make it.
        wide = (
            math.hypot(scalars[a], scalars[b]) for a, b in ((rows.ALPHA_X, rows.COAT_X), (rows.ALPHA_Y, rows.COAT_Y))
        )
        landed = (1.0 - scalars[rows.COAT]) * landed + scalars[rows.COAT] * landing(*wide)
    lobe = multiple_scattering_lobe(1.0 - landed.sum(axis=1))
    curves[rows.SHEEN_OVER_FINISH] = finish_weight(1.0 - sent_back, landed, *lobe)
    # A body shows itself by its own weight, less aslant, where the fibres hide most.
    body = tables[rows.BODY_WEIGHT].mean(axis=0) + 1e-9
    seen = hemispherical((1.0 - sent_back) * body) / hemispherical(body)
    curves[rows.SHEEN_OVER_BODY] = (1.0 - sent_back) / math.sqrt(seen)


def _compile_chances(scalars, spectra, curves):
    """Fill in what lobes are chosen by. Any chances would be right; these follow the energy."""
    some = np.ascontiguousarray(spectra[:, ::_FEW])
    cosines, room = np.maximum(MU, 1e-3), np.empty(some.shape[1])
    sides = [(rows.FRONT, rows.MIRRORED_OUT)]
    if scalars[rows.METALNESS] < 1.0:
        sides.append((rows.INNER, rows.MIRRORED_IN))
    for side, row in sides:
        facets.interface_means(cosines, side, scalars, some, room, curves[row : row + 2])


def _compile_metal(surface, constants, scalars, spectra, curves):
    """Fill in the metal."""
    spectra[rows.METAL_TINT] = reflectance_of(surface["tint"])
    if surface["constants"]:
        spectra[rows.METAL_A], spectra[rows.METAL_B] = constants
    else:
        face, edge = reflectance_of(surface["face_colour"]), reflectance_of(surface["edge_colour"])
        if scalars[rows.FILM] > 0.0 or scalars[rows.COAT] > 0.0:
            # Interference and a coat need n and k, which colours do not have: the metal of these colours stands in.
            face, edge = constants_from_colours(face, edge)
        else:
            scalars[rows.FACE_EDGE] = 1.0
        spectra[rows.METAL_A], spectra[rows.METAL_B] = face, edge
    shares = shares_of(scalars, 1.0)
    curves[rows.METAL_CURVE], lost = multiple_scattering_lobe(1.0 - shares.reflected.sum(axis=1))
    if shares.reflected_turn is not None:
        curves[rows.METAL_TURN : rows.METAL_TURN + 2] = lost_turn(-shares.reflected_turn.sum(axis=2), lost)
    scalars[rows.METAL_MULTIPLE_SCALE] = np.sqrt(np.pi * lost)
    spectra[rows.METAL_MULTIPLE] = sent_back(reflectances_of(scalars, spectra, rows.FRONT, True)[0], FACETS, lost)


def _compile_dielectric(surface, constants, reading, scalars, spectra, tables):
    """Fill in the dielectric but for its colours; returns what `_Undyed` is told of it: passed, let, escape, back."""
    eta = np.maximum(constants[0], 1.0 + 1e-6)
    spectra[rows.ETA] = eta
    dispersive = bool(np.ptp(eta) > 1e-9)
    scalars[rows.DISPERSIVE] = float(dispersive)
    spectra[rows.ABSORPTION] = absorption(surface, reading)
    spectra[rows.SCATTER] = coefficients_of(surface["interior.scatter"])
    # Where nothing changes with wavelength, one stands for all.
    count = WAVELENGTHS.size if dispersive or scalars[rows.FILM] > 0.0 or scalars[rows.SHEET] > 0.0 else 1
    scalars[rows.ACHROMATIC] = float(count == 1)
    if scalars[rows.SHEET] > 0.0:
        passed, let = compile_sheet(scalars, spectra, tables)
        passed_turn = None
    else:
        passed, passed_turn = _compile_interface(eta[:count], scalars, spectra, tables)
        let = None
    tables[rows.BODY_WEIGHT] = body_weight(passed, surface["diffuse_roughness"])
    if passed_turn is not None:
        tables[rows.BODY_TURN : rows.BODY_TURN + 2] = tables[rows.BODY_WEIGHT] * passed_turn / np.maximum(passed, 1e-9)
    # Light thrown back down under the interface meets the body again: 1 - let_in / n² of it each time, less what a film
    # absorbs.
    escape = hemispherical(passed) / eta**2
    return passed, let, escape, 1.0 - escape - film_losses(scalars, spectra, False)


def _dye(surface, undyed, scalars, spectra):
    """Fill in the colours of what lies below the interface; returns what a sheet lets through in all, or None."""
    colour, escape, back = reflectance_of(surface["colour"]), undyed.escape, undyed.back
    if surface.applies("subsurface.radius"):
        _compile_subsurface(surface, escape, scalars, spectra)
    _compile_body(surface, colour * escape / (1.0 - colour * back), escape, back, spectra)
    if undyed.let is None:
        return None
    t, m = scalars[rows.TRANSMISSION], scalars[rows.METALNESS]
    return (1.0 - m) * (t * undyed.let + (1.0 - t) * undyed.passed * spectra[rows.THROUGH_BODY][:, None])


def _compile_body(surface, body, escape, back, spectra):
    """Fill in the body as seen from the front, and of a sheet from its reverse and through it.

    escape, back: of its light that meets the interface from within, what gets out, and what is thrown back.
    """
    lost = oren_nayar_multiple_spectrum(body, surface["diffuse_roughness"])
    spectra[rows.BODY], spectra[rows.BODY_MULTIPLE] = body, lost
    through = surface["reverse.translucency"] if surface.is_sheet else 0.0
    if not surface.is_sheet:
        return
    colour = reflectance_of(surface["reverse.colour"]) if through > 0.0 else reflectance_of(surface["colour"])
    reverse = colour * escape / (1.0 - colour * back)
    both = np.sqrt(body * reverse)
    for rho, share, row, row_lost in (
        (body, 1.0 - through, rows.BODY, rows.BODY_MULTIPLE),
        (reverse, 1.0 - through, rows.REVERSE_BODY, rows.REVERSE_MULTIPLE),
        (both, through, rows.THROUGH_BODY, rows.THROUGH_MULTIPLE),
    ):
        spectra[row] = share * rho
        spectra[row_lost] = share * oren_nayar_multiple_spectrum(rho, surface["diffuse_roughness"])


def _compile_subsurface(surface, escape, scalars, spectra):
    ior = float(spectra[rows.ETA].mean())
    faces = rough_faces(scalars, np.array([ior])) if is_rough(scalars) else None
    _, shallow, deep = (share for share, _, _ in surface.subsurface_depths())
    scalars[rows.SHALLOW_SHARE], scalars[rows.DEEP_SHARE] = shallow, deep
    into = (
        (rows.SUB_SCATTER, rows.SUB_ABSORPTION),
        (rows.SHALLOW_SCATTER, rows.SHALLOW_ABSORPTION),
        (rows.DEEP_SCATTER, rows.DEEP_ABSORPTION),
    )
    for (share, colour, radius), (scatter, absorb) in zip(surface.subsurface_depths(), into, strict=True):
        if share > 0.0:
            spectra[scatter], spectra[absorb] = subsurface_coefficients(colour, radius, escape, ior, faces)


def _compile_interface(eta, scalars, spectra, tables):
    """Fill in what an interface to an interior loses and gives back; returns what the body is let, and its turns."""
    (r_out, t_out, lost_out, turn_out), (r_in, t_in, lost_in, turn_in) = (
        _interface(scalars, spectra, side, eta.size) for side in (rows.FRONT, rows.INNER)
    )
    far = far_shares_of(scalars, float(eta.mean()))
    sides = split_of(r_out, t_out, r_in, t_in, eta, far, turn_out, (lost_out, lost_in))
    far_out, far_in = sides.far
    for row, turned, scale, lobe, turn, share in (
        (rows.MULTIPLE_OUT, rows.MULTIPLE_OUT_TURN, rows.MULTIPLE_OUT_SCALE, sides.back_out, turn_out, 1.0 - far_out),
        (rows.MULTIPLE_IN, rows.MULTIPLE_IN_TURN, rows.MULTIPLE_IN_SCALE, sides.back_in, turn_in, 1.0 - far_in),
        (rows.PASSED_OUT, rows.PASSED_OUT_TURN, rows.PASSED_OUT_SCALE, sides.on_out, turn_out, far_out),
        (rows.PASSED_IN, rows.PASSED_IN_TURN, rows.PASSED_IN_SCALE, sides.on_in, turn_in, far_in),
    ):
        curve, mean = lobe
        tables[row], scalars[scale] = curve, np.sqrt(np.pi * mean).mean()
        if turn is not None:
            tables[turned : turned + 2] = lost_turn(-(turn[0] + turn[1]) * share, mean)
    spectra[rows.MULTIPLE_TRANSMIT_OUT], spectra[rows.MULTIPLE_TRANSMIT_IN] = sides.ratio, sides.inverse
    return sides.passed, sides.passed_turn


def _interface(scalars, spectra, side, count):
    """(reflected, passed, lost, turns) by single scattering of a dielectric interface, (count, COSINES) each.

    turns: the same two for the turn about the normal, or None without strokes. `count` 1 takes the first wavelength
    for all.
    """
    f, let = reflectances_of(scalars, spectra[:, :count], side, False)
    eta = spectra[rows.ETA, :count]
    relative = 1.0 / eta if side == rows.INNER else eta
    if count == 1 or np.ptp(eta) <= 1e-9:
        parts, between = [shares_of(scalars, float(relative[0]))], np.ones((1, count))
    else:
        # How refraction spreads changes slowly, close to linearly in 1 / wavelength²: three indices serve them all.
        x = WAVELENGTHS[:count] ** -2.0
        nodes = np.array([count - 1, count // 2, 0])
        parts = [shares_of(scalars, float(relative[i])) for i in nodes]
        between = np.stack([interpolated(x[nodes], row, x) for row in np.eye(_NODES)])

    def mixed(parts_of):
        return tuple(
            np.einsum("nl,n...lc->...lc", between, np.stack([by_wavelength(part) for part in one]))
            for one in zip(*parts_of, strict=True)
        )

    reflected, passed = mixed([p.split(f, let) for p in parts])
    if film_absorbs(scalars, spectra):
        (lost,) = mixed([(p.lost(f, let),) for p in parts])
    else:
        lost = np.clip(1.0 - reflected - passed, 0.0, 1.0)
    turns = None if parts[0].reflected_turn is None else mixed([p.split_turn(f, let) for p in parts])
    return reflected, passed, lost, turns


def oren_nayar_multiple_spectrum(body, roughness):
    """`oren_nayar_multiple` for each albedo of a spectrum."""
    return np.array([oren_nayar_multiple(float(b), float(roughness)) for b in body])
