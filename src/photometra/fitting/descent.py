"""Least squares as every solve does it: a trust region within bounds, with as few slopes as will do, to where the
evidence itself says that it is enough.

Slopes cost an evaluation for each unknown. Where the last step did what the slopes foretold they are corrected by it
instead of being taken anew (Broyden 1965; Madsen, Nielsen & Tingleff 2004, the secant version). A descent ends where
the estimated distance to the minimum, half of what a full step would still take off chi-square, is next to nothing
against its unit (James & Roos 1975): steps are then a sixteenth of a standard error.
"""

import numpy as np

_NEAR = 2e-3
"""Of the estimated distance to the minimum, with 1/2 for one standard error."""
_FORETOLD = 0.3
"""By how much of itself a step's gain may miss what was foretold, for the slopes to be good enough."""
_IN_REACH = 1.0
"""So near to the minimum one full step is tried."""
_CLOSE = 0.5
"""Of chi-square: where a step is to take more off than this, slopes are those of another place."""
_MOST_CORRECTED = 3
"""So many times in a row."""


class _Near(Exception):
    """A place is as good as the minimum."""


class Descent:
    """One descent: `residuals(x)` (m,), `slopes(x)` (m, n), within low..high, from x. Where is_exact is False, as of
    rendered evidence with its noise, slopes are always taken anew and the tolerances alone end it."""

    def __init__(
        self, residuals, slopes, x, low, high, tolerance=1e-6, most=100, robust=False, is_exact=True
    ):  # fmt: skip
        self._residuals, self._slopes, self._low, self._high = residuals, slopes, low, high
        self._told = {"xtol": tolerance, "ftol": tolerance, "gtol": tolerance, "max_nfev": most}
        self._loss = {"loss": "soft_l1" if robust else "linear", "f_scale": 2.0}
        self._sparing = is_exact and not robust
        self._start = x
        self._seen = {}
        self._at = self._jac = None
        self._corrected = 0

    def found(self):
        """As `scipy.optimize.least_squares`: x, fun, jac, cost, status; the slopes at the end are true ones."""
        from scipy.optimize import OptimizeResult, least_squares  # slow to import, and not needed to open the window

        try:
            end = least_squares(
                self._watched, self._start, jac=self._next_slopes, bounds=(self._low, self._high), x_scale="jac",
                **self._loss, **self._told,
            )  # fmt: skip
        except _Near:
            fun = self._seen[self._at.tobytes()]
            return OptimizeResult(x=self._at, fun=fun, jac=self._jac, cost=0.5 * float(fun @ fun), status=1)
        if self._corrected:
            end.jac = self._slopes(end.x)
        return end

    def _watched(self, x):
        r = self._residuals(x)
        self._seen[np.asarray(x, float).tobytes()] = r
        return r

    def _next_slopes(self, x):
        x = np.array(x, float)
        if not self._sparing:
            return self._slopes(x)
        r = self._seen[x.tobytes()]
        jac = self._corrected_slopes(x, r)
        if jac is not None and self._full_step(x, r, jac)[1] < 4.0 * _NEAR:
            # The end is told by true slopes alone.
            jac = None
        self._corrected = self._corrected + 1 if jac is not None else 0
        self._at, self._jac = x, self._slopes(x) if jac is None else jac
        if not self._corrected:
            self._end_here(x, r)
        return self._jac

    def _end_here(self, x, r):
        """Raise `_Near` where this is the minimum, or where a full step takes off what true slopes foretell: there."""
        step, hoped = self._full_step(x, r, self._jac)
        if hoped > _IN_REACH:
            return
        there = np.clip(x + step, self._low, self._high)
        at = self._watched(there)
        gain = 0.5 * float(r @ r - at @ at)
        if hoped < _NEAR or abs(gain - hoped) < _NEAR:
            # Noise of the model may make the last step one up.
            self._at = there if gain > 0.0 else x
            raise _Near

    def _corrected_slopes(self, x, r):
        """The last slopes corrected by the step from there; None where they should be taken anew."""
        if self._at is None or self._corrected >= _MOST_CORRECTED:
            return None
        before, step = self._seen[self._at.tobytes()], x - self._at
        foretold = before + self._jac @ step
        gain, hoped = float(before @ before - r @ r), float(before @ before - foretold @ foretold)
        is_far = hoped > _CLOSE * float(before @ before)
        if hoped <= 0.0 or is_far or abs(gain - hoped) > _FORETOLD * hoped:
            return None
        # Each unknown in units of what it does.
        scale = np.linalg.norm(self._jac, axis=0)
        scale = np.where(scale > 0.0, scale, 1.0)
        moved = scale * step
        return self._jac + np.outer(r - foretold, moved / (moved @ moved)) * scale

    def _full_step(self, x, r, jac):
        """(the step (n,) to where the slopes have the sum of squares least, within the bounds; half of what it would
        take off)."""
        from scipy.optimize import lsq_linear

        width = self._high - self._low
        # What the whole range of an unknown hardly changes counts for nothing: its slope may be chance.
        whole = np.vstack([jac * width, np.eye(width.size)])
        room = (self._low - x) / width - 1e-12, (self._high - x) / width + 1e-12
        found = lsq_linear(whole, np.concatenate([-r, np.zeros(width.size)]), room, method="bvls")
        return found.x * width, 0.5 * float(r @ r) - float(found.cost)
