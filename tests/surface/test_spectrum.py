"""Values that are spectra, and optical constants from a model of electrons."""

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from photometra.colour import WAVELENGTHS
from photometra.instruments import measured
from photometra.optics.dispersion import constants_from_ellipsometry, drude_lorentz
from photometra.surface import NODES_NM, PARAMETERS, Surface, parse, rgb_of, spectrum_from, spectrum_of
from photometra.surface.compile import absorption, compile_surface
from photometra.surface.spectrum import reflectance_of

COLOUR = PARAMETERS["colour"]


@given(st.lists(st.floats(0.0, 1.0), min_size=21, max_size=21))
def test_a_spectrum_goes_through_its_numbers_and_never_beyond(values):
    curve = reflectance_of(tuple(values))
    assert curve[::4] == pytest.approx(values) and curve.min() >= min(values) - 1e-12
    assert curve.max() <= max(values) + 1e-12


def test_rgb_and_back():
    rgb = (0.3, 0.12, 0.05)
    spectrum = spectrum_of(COLOUR, rgb)
    assert rgb_of(COLOUR, spectrum) == pytest.approx(rgb, abs=0.003)
    assert rgb_of(PARAMETERS["interior.absorption"], (0.4,) * 21) == pytest.approx((0.4,) * 3)
    assert parse(COLOUR, ",".join(["0.25"] * 21)) == (0.25,) * 21
    with pytest.raises(ValueError, match="three numbers, or 21"):
        Surface({"colour": (0.1,) * 4})


def test_scalars_of_a_spectrum():
    s = Surface({"colour": (0.2,) * 21})
    changed = s.with_scalars({"colour.480": 0.7})
    assert changed.scalar("colour.480") == 0.7 and changed.scalar("colour.500") == 0.2
    # Asked for red, green or blue it turns into them.
    assert len(changed.with_scalars({"colour.r": 0.5})["colour"]) == 3


def test_a_coefficient_spectrum_absorbs_by_wavelength():
    lines = spectrum_from(PARAMETERS["interior.absorption"], [380.0, 500.0, 780.0], [0.0, 1.2, 0.0])
    s = Surface({"transmission": 1.0, "interior.absorption": lines})
    assert absorption(s)[WAVELENGTHS == 500.0] == pytest.approx(1.2)
    read = measured("transmissometer", s, thickness_mm=3.0).columns["regular"]
    assert read.argmin() == list(NODES_NM).index(500) * 2
    assert np.isfinite(compile_surface(s).spectra).all()


def test_electrons_without_oscillators_are_drudes():
    n, k = drude_lorentz(np.array([500.0, 700.0]), 1.0, 9.0, 0.05)
    energy = 1239.841984 / np.array([500.0, 700.0])
    eps = 1.0 - 81.0 / (energy * (energy + 0.05j))
    assert (n + 1j * k) ** 2 == pytest.approx(eps)
    # Below the plasma edge nothing gets in; a bound electron far above only adds to the background.
    far = drude_lorentz(np.array([600.0]), 1.0, 0.0, 0.1, [(1.25, 200.0, 0.1)])
    assert far[0] == pytest.approx(1.5, abs=1e-3) and far[1] == pytest.approx(0.0, abs=1e-4)
    with pytest.raises(ValueError, match="above 0"):
        drude_lorentz(500.0, 1.0, 9.0, 0.0)


def test_psi_and_delta_of_a_bare_metal_give_its_constants_back():
    model = Surface({"metalness": 1.0, "constants": "model", "model.strength1": 2.0})
    reading = measured("ellipsometer", model)
    n, k = constants_from_ellipsometry(
        reading.columns["angle_deg"], *(reading.columns[c] for c in ("psi_deg", "delta_deg"))
    )
    truth = compile_surface(model)
    from photometra.surface import rows

    at = reading.x
    assert n == pytest.approx(np.interp(at, WAVELENGTHS, truth.spectra[rows.METAL_A, :-1]), rel=1e-9)
    assert k == pytest.approx(np.interp(at, WAVELENGTHS, truth.spectra[rows.METAL_B, :-1]), rel=1e-9)
