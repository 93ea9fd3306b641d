"""What error bars look like: against colours worked out by hand, with correlations, and what causes it."""

import threading
from types import SimpleNamespace

import numpy as np
import pytest

from photometra.colour import delta_e_2000, linear_srgb_to_xyz, xyz_to_lab
from photometra.errors import InputError
from photometra.fitting.solver import Solved
from photometra.fitting.uncertainty import equally_good, ways_of
from photometra.imaging.booths import display_of
from photometra.imaging.denoising import guides_for
from photometra.imaging.ladders import equal_axis
from photometra.imaging.visible import Viewer, drawn_error, top_of, visible_error
from photometra.study import Booth, Specimen, Study
from photometra.surface import Surface
from photometra.tracing.guides import guides_of

MATT = Surface({"colour": (0.3, 0.3, 0.3), "ior": 1.0, "roughness": 1.0})


def solution(surface, correlation=None, **sigmas):
    solved = tuple(Solved(n.replace("__", "."), 0.0, s, 0.0, False) for n, s in sigmas.items())
    correlation = np.eye(len(solved)) if correlation is None else np.array(correlation)
    return SimpleNamespace(surface=surface, solved=solved, correlation=correlation)


def seen(found, **more):
    one = Specimen("Slate", 50.0, found.surface)
    study = Study("S", (one,), Booth(environment="uniform"))
    return visible_error(study, one, found, **more), display_of(study.booth)


def by_hand(display, *pairs):
    """Root sum of squares of half the differences between pairs of colours, as a display balances them."""
    labs = [
        [xyz_to_lab(linear_srgb_to_xyz(display.balanced(np.array([[c]], np.float32))))[0, 0] for c in p] for p in pairs
    ]
    return float(np.sqrt(sum((0.5 * delta_e_2000(a, b)) ** 2 for a, b in labs)))


def test_a_matt_ball_in_an_even_sky_is_off_by_the_colours_own_difference():
    """In a white furnace a body of no interface sends back its colour: one standard error of red by hand."""
    error, display = seen(solution(MATT, colour__r=0.02))
    expected = by_hand(display, ((0.28, 0.3, 0.3), (0.32, 0.3, 0.3)))
    height, width = error.delta_e.shape
    assert error.delta_e[height // 2, width // 2] == pytest.approx(expected, rel=0.06)
    assert error.delta_e[2, 2] < 0.02 and error.causes == (("colour.r", 1.0),)
    assert "mostly from body colour" in error.sentence


@pytest.mark.long
def test_independent_errors_add_by_their_squares_and_correlated_ones_as_they_are():
    apart, display = seen(solution(MATT, colour__r=0.02, colour__g=0.01))
    middle = tuple(v // 2 for v in apart.delta_e.shape)
    both = by_hand(display, ((0.28, 0.3, 0.3), (0.32, 0.3, 0.3)), ((0.3, 0.29, 0.3), (0.3, 0.31, 0.3)))
    assert apart.delta_e[middle] == pytest.approx(both, rel=0.06)
    together, _ = seen(solution(MATT, [[1.0, 0.9999], [0.9999, 1.0]], colour__r=0.02, colour__g=0.02))
    grey = by_hand(display, ((0.28, 0.28, 0.3), (0.32, 0.32, 0.3)))
    assert together.delta_e[middle] == pytest.approx(grey, rel=0.06)


def test_the_ways_carry_the_whole_covariance():
    correlation = [[1.0, 0.6, -0.2], [0.6, 1.0, 0.1], [-0.2, 0.1, 1.0]]
    names, ways = ways_of(solution(MATT, correlation, roughness=0.1, ior=0.02, colour__b=0.3))
    sigma = np.array([0.1, 0.02, 0.3])
    assert names == ("roughness", "ior", "colour.b")
    assert np.allclose(ways @ ways.T, np.array(correlation) * np.outer(sigma, sigma))


def test_what_is_not_known_is_not_drawn_and_a_cancel_ends_it():
    assert seen(solution(MATT, roughness=None))[0] is None
    cancel = threading.Event()
    cancel.set()
    assert seen(solution(MATT, colour__r=0.02), cancel=cancel)[0] is None


def test_the_map_has_the_pictures_shape_and_a_ring():
    error, _ = seen(solution(MATT, colour__r=0.02), aspect=2.0)
    image = drawn_error(error)
    assert image.shape[1] / image.shape[0] == pytest.approx(2.0, abs=0.02) and image.dtype == np.uint8
    assert (image[..., :3] == 255).all(axis=2).sum() > 10
    assert top_of(error) >= error.largest > 0.0


def test_equally_good_surfaces_vary_as_the_bars_and_correlations_say():
    found = solution(MATT, [[1.0, 0.9], [0.9, 1.0]], colour__r=0.02, colour__g=0.01)
    drawn = np.array([[s.scalar("colour.r"), s.scalar("colour.g")] for s in equally_good(found, 3000)])
    assert drawn.mean(axis=0) == pytest.approx([0.3, 0.3], abs=0.002)
    assert drawn.std(axis=0) == pytest.approx([0.02, 0.01], rel=0.08)
    assert np.corrcoef(drawn.T)[0, 1] == pytest.approx(0.9, abs=0.03)
    axis = equal_axis(found, 5)
    assert len(axis.changes) == 5 and axis.labels[0].startswith("body colour 0.")
    assert equally_good(solution(MATT, colour__r=None), 3) == []
    with pytest.raises(InputError, match="need one"):
        equal_axis(solution(MATT, colour__r=None))


def test_what_further_evidence_would_leave_to_be_seen():
    error, _ = seen(solution(MATT, colour__r=0.02, colour__g=0.01))
    names = ["colour.r", "colour.g", "roughness"]
    same = error.under(names, np.diag([0.02**2, 0.01**2, 0.3**2]))
    assert same == pytest.approx(error.largest, rel=1e-3), "what was not solved for does not count"
    # With half of both errors half is left; with red alone known, what green does.
    assert error.under(names, 0.25 * np.diag([0.02**2, 0.01**2, 0.0])) == pytest.approx(0.5 * same, rel=1e-3)
    alone, _ = seen(solution(MATT, colour__g=0.01))
    assert error.under(names, np.diag([0.0, 0.01**2, 0.0])) == pytest.approx(alone.largest, rel=0.1)
    assert error.under(["roughness"], np.eye(1)) == 0.0


def test_all_pictures_are_denoised_by_the_guides_of_the_first(monkeypatch):
    made = []
    monkeypatch.setattr(
        "photometra.imaging.visible.guides_for", lambda *asked: made.append(asked) or guides_for(*asked)
    )  # fmt: skip
    told = []
    monkeypatch.setattr(
        "photometra.tracing.render.guides_of", lambda *asked, **more: told.append(asked) or guides_of(*asked, **more)
    )
    one = Specimen("Slate", 50.0, MATT)
    viewer = Viewer(Study("S", (one,), Booth(environment="uniform")), one, pixels=600)
    first, second = (viewer.lab(MATT.with_values({"colour": (c, c, c)})) for c in (0.2, 0.5))
    assert len(made) == len(told) == 1 and not np.allclose(first, second)
