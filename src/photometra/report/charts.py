"""A reading against the model as a small chart: marks with their error bars, a line, residuals below; SVG text."""

import io

import numpy as np

from ..words import tr

_MARK, _LINE, _INK, _OUT = "#a87b1d", "#1d7a66", "#333333", "#a33a2a"
_SIZE = (3.5, 2.3)


def chart_of(agreement, decimal="."):
    """The chart of an agreement, as SVG without its XML head; "" where a reading has no place along an axis."""
    from matplotlib.backends.backend_svg import FigureCanvasSVG
    from matplotlib.figure import Figure

    reading = agreement.reading
    if reading.kind.along is None:
        return ""
    values, sigmas = reading.stacked()
    x = np.asarray(reading.x, float)
    order = np.argsort(x, kind="stable")
    figure = Figure(figsize=_SIZE, layout="constrained")
    FigureCanvasSVG(figure)
    above, below = figure.subplots(2, 1, sharex=True, height_ratios=(3, 1))
    style = {"fmt": "o", "ms": 2.2, "lw": 0.7, "color": _MARK}
    for row, sigma in zip(values, sigmas, strict=True):
        above.errorbar(x[order], row[order], yerr=sigma[order], **style)
    if agreement.model is not None:
        for row in np.asarray(agreement.model):
            above.plot(x[order], row[order], "-" if len(x) > 3 else "_", ms=14, lw=1.2, color=_LINE)
        for row in np.asarray(agreement.residuals):
            below.plot(x[order], row[order], ".", ms=3, color=_LINE)
    below.axhline(0.0, lw=0.7, color=_INK)
    for y in (-2.0, 2.0):
        below.axhline(y, lw=0.5, ls=":", color=_OUT)
    low, high = below.get_ylim()
    below.set_ylim(min(low, -3.0), max(high, 3.0))
    below.set_xlabel(_words(reading.kind.along), fontsize=7, color=_INK)
    below.set_ylabel(tr("in σ"), fontsize=7, color=_INK)
    above.set_ylabel(_words(reading.kind.values[0]) if len(values) == 1 else "", fontsize=7, color=_INK)
    for axes in (above, below):
        if decimal != ".":
            for axis in (axes.xaxis, axes.yaxis):
                axis.set_major_formatter(_signed(decimal))
        axes.tick_params(labelsize=6.5, width=0.5, length=2, colors=_INK)
        for side in ("top", "right"):
            axes.spines[side].set_visible(False)
        for side in ("left", "bottom"):
            axes.spines[side].set_linewidth(0.5)
    out = io.StringIO()
    # The same study gives the same bytes: no date, and ids that do not change.
    import matplotlib as mpl

    with mpl.rc_context({"svg.hashsalt": "photometra", "svg.fonttype": "path"}):
        figure.savefig(out, format="svg", metadata={"Date": None})
    text = out.getvalue()
    return text[text.index("<svg") :]


def _signed(decimal):
    """Numbers along an axis as they would be, with another decimal sign."""
    from matplotlib.ticker import ScalarFormatter

    class Signed(ScalarFormatter):
        def __call__(self, x, pos=None):
            return super().__call__(x, pos).replace(".", decimal)

    return Signed(useOffset=False)


def _words(column):
    name, _, unit = column.rpartition("_")
    units = {"nm": "nm", "deg": "°", "mm": "mm", "units": "GU"}
    return f"{name.replace('_', ' ')} / {units[unit]}" if unit in units and name else column.replace("_", " ")
