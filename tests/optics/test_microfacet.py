"""Microfacets and the rough body by themselves: what they are normalised to, and how they are drawn."""

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from photometra.optics.diffuse import oren_nayar_albedo, oren_nayar_mean, oren_nayar_multiple, oren_nayar_parts
from photometra.optics.jit import cache_folder
from photometra.optics.microfacet import ggx_d, sample_visible_normal, smith_lambda

_POLAR, _WEIGHTS = np.polynomial.legendre.leggauss(400)
_COS, _WEIGHTS = 0.5 * (_POLAR + 1.0), 0.5 * _WEIGHTS


@pytest.mark.parametrize("alpha", [0.05, 0.3, 1.0])
def test_projected_facets_cover_the_surface_once(alpha):
    d = np.array([ggx_d(np.sqrt(1 - c * c), 0.0, c, alpha, alpha) for c in _COS])
    assert 2.0 * np.pi * np.sum(_WEIGHTS * d * _COS) == pytest.approx(1.0, abs=2e-3)


@pytest.mark.parametrize(("ax", "ay"), [(0.2, 0.2), (0.1, 0.6)])
def test_visible_facets_fill_what_is_seen(ax, ay):
    """∫ G1 <o, h> D dh = cos o, for any direction and any anisotropy (Heitz 2014)."""
    o = np.array([0.6, 0.3, np.sqrt(1 - 0.45)])
    g = 1.0 / (1.0 + smith_lambda(*o, ax, ay))
    turns = (np.arange(720) + 0.5) / 720 * 2.0 * np.pi
    total = 0.0
    for c, w in zip(_COS, _WEIGHTS, strict=True):
        s = np.sqrt(1 - c * c)
        h = np.column_stack([s * np.cos(turns), s * np.sin(turns), np.full(720, c)])
        seen = np.maximum(h @ o, 0.0)
        x, y = h[:, 0] / ax, h[:, 1] / ay
        d = 1.0 / (np.pi * ax * ay * (x * x + y * y + c * c) ** 2)
        total += w * 2.0 * np.pi * np.mean(seen * d)
    assert g * total == pytest.approx(o[2], rel=2e-3)


@given(st.floats(0.01, 1.0), st.floats(0.0, 1.55), st.floats(0.0, 0.999), st.floats(0.0, 0.999))
def test_drawn_facets_are_unit_and_face_the_viewer(alpha, polar, u0, u1):
    o = np.array([np.sin(polar), 0.0, np.cos(polar)])
    h = np.array(sample_visible_normal(*o, alpha, alpha, u0, u1))
    assert np.linalg.norm(h) == pytest.approx(1.0, abs=1e-9)
    assert h[2] >= 0.0 and h @ o > -1e-9


@pytest.mark.parametrize("r", [0.0, 0.3, 1.0])
@pytest.mark.parametrize("rho", [0.2, 0.8, 1.0])
def test_the_rough_body_gives_back_what_it_should(r, rho):
    """By brute force over the hemisphere: all of the light for a white body, never more than rho for others."""
    turns = (np.arange(64) + 0.5) / 64 * 2.0 * np.pi
    for mu_o in (0.15, 0.6, 0.95):
        s_o, total = np.sqrt(1.0 - mu_o**2), 0.0
        for mu, w in zip(_COS[::4], _WEIGHTS[::4] * 4.0, strict=True):
            s = np.sqrt(1.0 - mu * mu)
            for phi in turns:
                single, multiple = oren_nayar_parts(s_o, 0.0, mu_o, s * np.cos(phi), s * np.sin(phi), mu, r)
                value = rho * single + oren_nayar_multiple(rho, r) * multiple
                total += value * mu * w * 2.0 * np.pi / 64
        if rho == 1.0:
            assert total == pytest.approx(1.0, abs=8e-3)
        else:
            assert total <= rho + 8e-3


def test_the_rough_bodys_mean_is_the_mean_of_its_albedo():
    for r in (0.1, 0.7, 1.0):
        albedo = np.array([oren_nayar_albedo(c, r) for c in _COS])
        assert 2.0 * np.sum(_WEIGHTS * albedo * _COS) == pytest.approx(oren_nayar_mean(r), abs=1e-6)


def test_the_kernels_cache_is_named_by_their_sources(tmp_path, monkeypatch):
    from photometra.optics import jit

    named = cache_folder()
    assert cache_folder() == named
    package = tmp_path / "photometra"
    for name in ("optics", "surface", "instruments", "tracing"):
        (package / name).mkdir(parents=True)
        (package / name / "a.py").write_text("@kernel\nx = 1\n")
    monkeypatch.setattr(jit, "_PACKAGE", package)
    first = cache_folder()
    (package / "surface" / "a.py").write_text("@kernel\nx = 2\n")
    assert first != cache_folder() != named
