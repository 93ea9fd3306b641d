"""Angles and their sines in whole turns, by polynomials: within 1e-10, in a third of the library's time.

The coefficients interpolate at Chebyshev's points; what is left of a quarter or an eighth of a turn is small enough.
"""

import numpy as np

from .jit import leaf

_EIGHTH = 0.41421356237309503


@leaf
def circle(turns):
    """(cosine, sine) of an angle in turns, of any size."""
    # All in floating point and without a branch, so that a loop of these is worked out several at a time.
    x = 4.0 * (turns - np.floor(turns))
    quarter = np.floor(x + 0.5)
    f = x - quarter
    s2 = f * f
    sine = f * (
        1.570796326788
        + s2 * (-0.6459640961467 + s2 * (0.07969258272441 + s2 * (-0.004681266248965 + s2 * 0.0001582062879279)))
    )
    cosine = 0.9999999999999 + s2 * (
        -1.23370055012
        + s2 * (0.2536695071518 + s2 * (-0.0208634679864 + s2 * (0.000919161682153 + s2 * -2.485089741337e-05)))
    )
    is_odd = quarter == 1.0 or quarter == 3.0
    along, across = (sine, cosine) if is_odd else (cosine, sine)
    return (-along if quarter == 1.0 or quarter == 2.0 else along), (
        -across if quarter == 2.0 or quarter == 3.0 else across
    )


@leaf
def turns_of(y, x):
    """The angle of (x, y) in turns, -1/2 to 1/2; 0 at the origin."""
    across, along = abs(y), abs(x)
    low, high = min(across, along), max(across, along)
    if high <= 0.0:
        return 0.0
    rest = 0.0
    if low > _EIGHTH * high:
        # An eighth of a turn less.
        low, high, rest = low - high, low + high, 0.125
    a = low / high
    s2 = a * a
    turns = rest + a * (
        0.1591549430885
        + s2
        * (
            -0.0530516457306
            + s2
            * (
                0.03183080377151
                + s2 * (-0.02272985451015 + s2 * (0.01757148462702 + s2 * (-0.01345845038209 + s2 * 0.007491979936078)))
            )
        )
    )
    if across > along:
        turns = 0.25 - turns
    if x < 0.0:
        turns = 0.5 - turns
    return -turns if y < 0.0 else turns
