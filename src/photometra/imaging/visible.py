"""What the error bars of a solve look like: how far the picture may be off, pixel by pixel, by the evidence alone."""

from dataclasses import dataclass, field

import numpy as np

from ..colour import delta_e_2000, linear_srgb_to_xyz, xyz_to_lab
from ..figures import figures
from ..fitting.uncertainty import moved, ways_of
from ..instruments import constants_reading
from ..surface.parameters import scalar_owner
from ..tracing import Rendering
from ..words import tr
from .booths import compiled_on, display_of, limits_of, scene_of
from .comparing import ramp
from .denoising import FAST, clean_picture, guides_for

_PIXELS, _SAMPLES = 62_000, 16
_SPECKS = 5
"""Pixels across of the median that takes specks out of each map."""
_MOST_WAYS = 6
"""Independent ways of being wrong that are rendered: the others say next to nothing."""
_TOPS = (0.25, 0.5, 1.0, 2.0, 5.0, 10.0, 20.0, 50.0)


@dataclass(frozen=True, eq=False)
class VisibleError:
    """delta_e (h, w): ΔE2000 of one standard error of the whole solve, per pixel; largest, and where, (x, y) in 0..1;
    causes: (scalar, its share of the square there), the largest first.

    names, ways (n, k): the scalars, and the independent steps of them that were rendered; steps (k, h, w, 3): what each
    does to the picture, in Lab, as long as its ΔE2000.
    """

    delta_e: np.ndarray
    mean: float
    largest: float
    place: tuple[float, float]
    causes: tuple[tuple[str, float], ...]
    names: tuple[str, ...] = ()
    ways: np.ndarray = field(default_factory=lambda: np.zeros((0, 0)))
    steps: np.ndarray = field(default_factory=lambda: np.zeros((0, 1, 1, 3)))

    def under(self, scalars, covariance):
        """The largest ΔE2000 of one standard error under another covariance (m, m) of scalars, close to linearly: what
        further evidence would leave to be seen. Scalars that were not solved for do not count."""
        at = [scalars.index(n) if n in scalars else -1 for n in self.names]
        known = np.array([i >= 0 for i in at])
        whole = np.where(np.outer(known, known), np.asarray(covariance)[np.ix_(at, at)], 0.0)
        back = np.linalg.pinv(self.ways)
        squares = np.einsum("ab,ahwc,bhwc->hw", back @ whole @ back.T, self.steps, self.steps, optimize=True)
        return float(np.sqrt(max(squares.max(), 0.0)))

    @property
    def sentence(self):
        cause = scalar_owner(self.causes[0][0])[0].words if self.causes else "nothing"
        return tr(
            "The evidence leaves ΔE {0} at most, at the marked place, mostly from {1}; {2} on average over the picture",
            figures(self.largest, 2),
            cause,
            figures(self.mean, 2),
        )


class Viewer:
    """Looks at surfaces of one specimen under its booth, always with the same random numbers and denoised by the same
    guides, so that two pictures differ by their surfaces alone. aspect: width over height."""

    def __init__(self, study, specimen, aspect=4.0 / 3.0, pixels=_PIXELS):
        self._scene, self._display = scene_of(study, specimen), display_of(study.booth)
        self._constants, self._limits = constants_reading(specimen.readings), limits_of(study.booth)
        self.height = max(24, round((pixels / aspect) ** 0.5))
        self.width = max(24, round(aspect * self.height))
        self._guides = None

    def lab(self, surface, cancel=None):
        """A surface's picture in L*, a*, b* (h, w, 3); None where cancelled."""
        compiled = compiled_on(self._scene, surface, self._constants)
        rendering = Rendering(compiled, self._scene, self.width, self.height, 1, self._limits)
        if not rendering.add(_SAMPLES, cancel):
            return None
        # One set of guides for all: what they follow must not differ between two of them.
        self._guides = self._guides or guides_for(rendering, FAST)
        picture = clean_picture(rendering, FAST, cancel, self._guides)
        if picture is None:
            return None
        return xyz_to_lab(linear_srgb_to_xyz(np.maximum(self._display.balanced(picture), 0.0)))


def without_specks(delta_e):
    """A map of ΔE2000 without its single pixels: a path that takes another turn in one of two pictures is no error of
    the surface's."""
    from scipy.ndimage import median_filter

    return median_filter(delta_e, _SPECKS)


def visible_error(
    study, specimen, solution, aspect=4.0 / 3.0, report=None, cancel=None, pixels=_PIXELS
) -> VisibleError | None:
    """Render the solved surface one standard error off either way along each independent way, with the same random
    numbers; None where cancelled, or where the solve has no standard errors.

    aspect: of the picture, its width over its height; report(done, of) after each of those rendered; pixels: about how
    many are looked at.
    """
    names, ways = ways_of(solution)
    if not names:
        return None
    # What is spread over many scalars, as a spectrum, has few ways that count.
    ways = ways[:, :_MOST_WAYS]
    viewer = Viewer(study, specimen, aspect, pixels)
    width, height = viewer.width, viewer.height
    start = np.array([solution.surface.scalar(n) for n in names])
    labs, steps, done = [], [], 0
    for way in ways.T:
        pair = []
        for sign in (-1.0, 1.0):
            seen = viewer.lab(moved(solution.surface, names, start + sign * way), cancel)
            if seen is None:
                return None
            pair.append(seen)
            done += 1
            if report:
                report(done, 2 * ways.shape[1])
        labs.append(without_specks(0.5 * delta_e_2000(*pair)))
        step = pair[1] - pair[0]
        steps.append(step * (labs[-1] / np.maximum(np.linalg.norm(step, axis=-1), 1e-9))[..., None])
    squares = np.array(labs) ** 2
    whole = np.sqrt(squares.sum(axis=0))
    y, x = np.unravel_index(int(np.argmax(whole)), whole.shape)
    shares = (ways / np.array([s.sigma for s in solution.solved if s.sigma])[:, None]) ** 2
    causes = shares / np.maximum(shares.sum(axis=0), 1e-300) @ squares[:, y, x]
    causes /= max(causes.sum(), 1e-300)
    order = np.argsort(causes)[::-1]
    return VisibleError(
        whole, float(whole.mean()), float(whole.max()), ((x + 0.5) / width, (y + 0.5) / height),
        tuple((names[i], float(causes[i])) for i in order), names, ways, np.array(steps),
    )  # fmt: skip


def top_of(error: VisibleError):
    """The end of the scale that a map of the error is drawn on."""
    return next((t for t in _TOPS if error.largest <= t), _TOPS[-1])


def drawn_error(error: VisibleError):
    """The map in false colour with a ring about its largest place, RGBA uint8 (h, w, 4)."""
    out = np.full((*error.delta_e.shape, 4), 255, np.uint8)
    out[..., :3] = (255.0 * ramp(error.delta_e / top_of(error))).astype(np.uint8)
    height, width = error.delta_e.shape
    y, x = np.ogrid[:height, :width]
    away = np.hypot(x + 0.5 - error.place[0] * width, y + 0.5 - error.place[1] * height)
    out[np.abs(away - 7.0) < 1.6, :3] = 20
    out[np.abs(away - 7.0) < 0.8, :3] = 255
    return out
