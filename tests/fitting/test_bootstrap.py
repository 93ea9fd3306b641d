"""Error bars tried by fresh studies: true ones are found true, and those that are too small are found out."""

import threading
from dataclasses import replace

import numpy as np
import pytest

from photometra.errors import InputError
from photometra.fitting.bootstrap import Bootstrap, bootstrap, fresh_readings
from photometra.instruments import measured
from photometra.readings import Systematic, make_reading
from photometra.surface import Surface

ENAMEL = Surface({"ior": 1.52, "roughness": 0.1, "colour": (0.4, 0.3, 0.2)})


def spectrum(sigma, **systematic):
    """A reflectance of the enamel without noise, of a stated uncertainty."""
    exact = measured("spectrophotometer", ENAMEL, "di:8", name="Colour")
    columns = {k: np.array(v) for k, v in exact.columns.items()}
    sigmas = {"reflectance": np.full(exact.rows, sigma)}
    return make_reading("Colour", "reflectance", columns, sigmas, geometry="di:8", systematic=Systematic(**systematic))


def test_fresh_readings_scatter_as_they_say_and_share_their_gain():
    reading = spectrum(0.004, gain=0.03)
    drawn = np.array(
        [fresh_readings(ENAMEL, (reading,), np.random.default_rng(k))[0].columns["reflectance"] for k in range(300)]
    )
    exact = reading.columns["reflectance"]
    assert drawn.mean(axis=0) == pytest.approx(exact, abs=0.002)
    # What all wavelengths share is the gain; what is left is each value's own noise.
    gains = drawn @ exact / (exact @ exact)
    assert np.std(gains) == pytest.approx(0.03, rel=0.15)
    assert np.std(drawn - gains[:, None] * exact) == pytest.approx(0.004, rel=0.1)


def test_what_is_not_active_stays_as_it_is():
    idle = replace(spectrum(0.01), active=False)
    assert fresh_readings(ENAMEL, (idle,), np.random.default_rng(1))[0] is idle


@pytest.mark.long
def test_true_bars_are_found_true_and_the_same_wherever_it_is_done():
    start = ENAMEL.with_values({"colour": (0.2, 0.2, 0.2)})
    found = bootstrap(ENAMEL, start, (spectrum(0.004),), ("colour",), studies=40)
    assert [t.name for t in found.scalars] == ["colour.r", "colour.g", "colour.b"]
    for t in found.scalars:
        assert t.stated == pytest.approx(t.scatter, rel=0.4) and abs(t.bias) < 0.6 and t.counted == 40
    assert 0.5 <= found.within(1.0) <= 0.85 and found.within(2.0) >= 0.88
    assert np.median(found.chi2) == pytest.approx(1.0, abs=0.2)

    class Elsewhere:
        def each(self, function, values, cancel=None):
            yield from [function(v) for v in reversed(values)][::-1]

    again = bootstrap(ENAMEL, start, (spectrum(0.004),), ("colour",), studies=6, place=Elsewhere())
    assert again.found == found.found[:6]


def test_bars_that_are_too_small_are_found_out():
    truth = Surface({"roughness": 0.3})
    rng = np.random.default_rng(3)
    off = tuple({"roughness": (0.3 + 0.03 * rng.normal(), 0.01)} for _ in range(200))
    found = Bootstrap(truth, off, (1.0,) * 200)
    (one,) = found.scalars
    assert one.scatter / one.stated == pytest.approx(3.0, rel=0.15)
    # Of a normal distribution a third of a deviation holds 26 %.
    assert found.within(1.0) == pytest.approx(0.26, abs=0.09) == one.within_1
    assert Bootstrap(truth, ({"roughness": (0.3, None)},), (1.0,)).scalars == ()


def test_too_few_are_refused_and_a_cancel_is_heard():
    with pytest.raises(InputError, match="at least 5"):
        bootstrap(ENAMEL, ENAMEL, (spectrum(0.01),), ("colour",), studies=3)
    stop, seen = threading.Event(), []

    def report(done, of):
        seen.append((done, of))
        stop.set()

    assert bootstrap(ENAMEL, ENAMEL, (spectrum(0.01),), ("colour",), 5, report=report, cancel=stop) is None
    assert seen == [(1, 5)]
