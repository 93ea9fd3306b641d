"""Edits of a reading: each gives a new one, and keeps what it must."""

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from photometra.fitting import misfit
from photometra.instruments import measured
from photometra.instruments.derived import constants_of_ellipsometry
from photometra.readings import averaged, make_reading, resampled, with_mask, with_uncertainty
from photometra.surface import Surface, table


def spectrum(values, x=None, **more):
    x = np.arange(400.0, 400.0 + 10.0 * len(values), 10.0) if x is None else x
    return make_reading("r", "reflectance", {"wavelength_nm": x, "reflectance": values}, **more)


def test_masked_points_count_for_nothing():
    reading = spectrum([0.2, 0.2, 0.9, 0.2])
    masked = with_mask(reading, [2])
    assert masked.counted[0].tolist() == [True, True, False, True] and reading.counted.all()
    model = np.full((1, 4), 0.2)
    assert misfit(masked, model) < 1e-9 < misfit(reading, model)
    assert with_mask(masked, [2], False) == reading
    with pytest.raises(ValueError, match="at least one point"):
        with_mask(reading, range(4))


def test_a_rule_gives_every_value_its_uncertainty():
    reading = with_uncertainty(spectrum([0.0, 0.5]), "2 % + 0.001")
    assert reading.sigma["reflectance"] == pytest.approx([0.001, 0.011]) and reading.rule == "2 % + 0.001"
    # A rule without a part of its own size must not divide by nothing.
    assert with_uncertainty(spectrum([0.0, 0.5]), "2 %").sigma["reflectance"].min() > 0.0


@given(st.lists(st.floats(0.1, 0.9), min_size=2, max_size=8), st.floats(0.001, 0.1))
def test_repeats_are_averaged_and_become_surer(values, sigma):
    n = len(values)
    repeats = spectrum(values, x=[500.0] * n, sigma={"reflectance": [sigma] * n})
    mean = averaged(repeats)
    assert mean.rows == 1 and mean.columns["reflectance"][0] == pytest.approx(np.mean(values))
    # Never surer than the readings' own noise allows, nor than their scatter shows.
    expected = max(sigma / np.sqrt(n), np.std(values) / np.sqrt(n - 1))
    assert mean.sigma["reflectance"][0] == pytest.approx(expected, rel=1e-6)
    assert averaged(mean) == mean


def test_weights_masks_and_gaps_in_a_mean():
    two = spectrum([0.2, 0.4], x=[500.0, 500.0], sigma={"reflectance": [0.01, 0.1]})
    assert averaged(two).columns["reflectance"][0] == pytest.approx((0.2 * 100 + 0.4) / 101)
    assert averaged(with_mask(two, [0])).columns["reflectance"][0] == pytest.approx(0.4)
    pane = make_reading(
        "t", "transmittance", {"wavelength_nm": [500, 500], "regular": [0.9, np.nan], "total": [np.nan, 0.8]}
    )
    mean = averaged(pane)
    assert mean.columns["regular"][0] == pytest.approx(0.9) and mean.columns["total"][0] == pytest.approx(0.8)
    colours = make_reading("c", "colour", {"L": [50.0, 52.0], "a": [1.0, 1.0], "b": [0.0, 0.0]})
    assert averaged(colours).columns["L"].tolist() == [51.0]


def test_resampling_is_coarser_and_keeps_a_straight_line():
    x = np.arange(400.0, 701.0, 5.0)
    line = spectrum(0.1 + 0.001 * (x - 400.0), x=x)
    coarse = resampled(line, 20.0)
    inner = slice(1, -1)
    assert coarse.x.tolist() == list(np.arange(400.0, 701.0, 20.0))
    assert coarse.columns["reflectance"][inner] == pytest.approx(0.1 + 0.001 * (coarse.x[inner] - 400.0))
    assert (coarse.sigma["reflectance"][inner] < line.sigma["reflectance"].max()).all()
    for step in (2.0, 0.0, float("nan")):
        with pytest.raises(ValueError, match="coarser"):
            resampled(line, step)
    with pytest.raises(ValueError, match="one axis"):
        resampled(measured("goniophotometer", Surface()), 10.0)


def test_an_angle_is_compared_the_short_way_round():
    columns = {"angle_deg": [65.0], "wavelength_nm": [500.0], "psi_deg": [30.0], "delta_deg": [359.5]}
    reading = make_reading("e", "ellipsometry", columns)
    assert reading.difference(np.array([[30.0], [0.5]]))[1, 0] == pytest.approx(1.0)


def test_constants_follow_from_ellipsometry_with_their_uncertainty():
    metal = Surface({"metalness": 1.0, "constants": "silver", "roughness": 0.02})
    found = constants_of_ellipsometry(measured("ellipsometer", metal))
    n, k = table("silver").on_grid(found.x)
    assert found.kind_key == "constants" and found.rows == 20
    assert found.columns["n"] == pytest.approx(n, abs=1e-6) and found.columns["k"] == pytest.approx(k, abs=1e-6)
    assert (found.sigma["k"] > 1e-4).all() and (found.sigma["k"] < 0.2).all()


def test_the_series_of_a_chart_are_told_apart_by_what_does_not_run_along_it():
    told = [words for words, _ in measured("ellipsometer", Surface()).series()]
    assert told == ["65°", "75°"]
    assert [w for w, _ in measured("reflectometer", Surface()).series()] == ["550 nm, s", "550 nm, p"]
    assert [w for w, _ in spectrum([0.1, 0.2]).series()] == [""]
