"""Where the light goes that meets a rough dielectric interface, from both sides at once."""

from dataclasses import dataclass

import numpy as np

from .albedo import hemispherical, multiple_scattering_lobe


@dataclass(frozen=True, eq=False)
class Sides:
    """By wavelength and cosine (n, COSINES) or by wavelength (n,).

    passed: what goes on to the far side from outside, all counted. lost_out, lost_in: the `multiple_scattering_lobe` of
    either side, mean_out and mean_in their means; out_through, in_through: the share of the lost light that leaves on
    the far side; ratio: root of mean_out over mean_in, and its inverse; 0 where there is none. passed_turn: how
    `passed` changes with the turn about the normal (the cosine of twice the angle from across the strokes), or None
    without strokes.
    """

    passed: np.ndarray
    lost_out: np.ndarray
    mean_out: np.ndarray
    lost_in: np.ndarray
    mean_in: np.ndarray
    out_through: np.ndarray
    in_through: np.ndarray
    ratio: np.ndarray
    inverse: np.ndarray
    passed_turn: np.ndarray | None = None


def split_of(r_out, t_out, r_in, t_in, eta, turns=None):
    """From the single-scattering shares reflected and passed, (n, COSINES) each, of an interface of index eta (n,).

    turns: how r_out and t_out change with the turn about the normal, or None.
    """
    lost_out, mean_out = multiple_scattering_lobe(1.0 - r_out - t_out)
    lost_in, mean_in = multiple_scattering_lobe(1.0 - r_in - t_in)
    # The lost light leaves on either side; reciprocity ties the two shares by the étendue n².
    some = (mean_out > 0.0) & (mean_in > 0.0)
    in_through = np.where(some, hemispherical(t_in) / np.maximum(hemispherical(r_in + t_in), 1e-12), 0.0)
    ratio = np.sqrt(np.where(some, mean_out / np.where(some, mean_in, 1.0), 0.0))
    inverse = np.where(ratio > 0.0, 1.0 / np.where(ratio > 0.0, ratio, 1.0), 0.0)
    out_through = in_through * eta**2 * inverse**2
    excess = np.maximum(out_through, 1.0)
    in_through, out_through = in_through / excess, out_through / excess
    # With everything lost counted, what is not let in is reflected.
    passed = np.clip(t_out + out_through[:, None] * np.clip(1.0 - r_out - t_out, 0.0, 1.0), 0.0, 1.0)
    turn = None if turns is None else turns[1] - out_through[:, None] * (turns[0] + turns[1])
    return Sides(passed, lost_out, mean_out, lost_in, mean_in, out_through, in_through, ratio, inverse, turn)
