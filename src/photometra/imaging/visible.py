"""What the error bars of a solve look like: how far the picture may be off, pixel by pixel, by the evidence alone."""

from dataclasses import dataclass, field

import numpy as np

from ..colour import delta_e_2000, linear_srgb_to_xyz, xyz_to_lab
from ..figures import figures
from ..fitting.uncertainty import moved, ways_of
from ..instruments import constants_reading
from ..surface.parameters import scalar_owner
from ..tracing import Rendering
from .booths import compiled_on, display_of, limits_of, scene_of
from .comparing import ramp
from .denoising import FAST, clean_picture

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
        cause = scalar_owner(self.causes[0][0])[0].label.lower() if self.causes else "nothing"
        return (
            f"The evidence leaves ΔE {figures(self.largest, 2)} at most, at the marked place, mostly from {cause}; "
            f"{figures(self.mean, 2)} on average over the picture"
        )


def visible_error(study, specimen, solution, aspect=4.0 / 3.0, report=None, cancel=None) -> VisibleError | None:
    """Render the solved surface one standard error off either way along each independent way, with the same random
    numbers; None where cancelled, or where the solve has no standard errors.

    aspect: of the picture, its width over its height; report(done, of) after each of those rendered.
    """
    from scipy.ndimage import median_filter

    names, ways = ways_of(solution)
    if not names:
        return None
    # What is spread over many scalars, as a spectrum, has few ways that count.
    ways = ways[:, :_MOST_WAYS]
    scene, display = scene_of(study, specimen), display_of(study.booth)
    constants, limits = constants_reading(specimen.readings), limits_of(study.booth)
    start = np.array([solution.surface.scalar(n) for n in names])
    height = max(24, round((_PIXELS / aspect) ** 0.5))
    width = max(24, round(aspect * height))
    guides, labs, steps, done = None, [], [], 0
    for way in ways.T:
        pair = []
        for sign in (-1.0, 1.0):
            surface = moved(solution.surface, names, start + sign * way)
            rendering = Rendering(compiled_on(scene, surface, constants), scene, width, height, 1, limits)
            if not rendering.add(_SAMPLES, cancel):
                return None
            # One set of guides for all: what they follow must not differ between the two.
            guides = guides if guides is not None else rendering.followed(4)
            rendering.take_followed(4, guides)
            picture = clean_picture(rendering, FAST, cancel)
            if picture is None:
                return None
            balanced = np.maximum(display.balanced(picture), 0.0)
            pair.append(xyz_to_lab(linear_srgb_to_xyz(balanced)))
            done += 1
            if report:
                report(done, 2 * ways.shape[1])
        # A path that takes another turn in one of the two is no error of the surface's: single pixels do not count.
        labs.append(median_filter(0.5 * delta_e_2000(*pair), _SPECKS))
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
