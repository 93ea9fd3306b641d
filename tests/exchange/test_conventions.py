"""Numbers to type elsewhere, against closed forms and published conversions."""

import numpy as np
import pytest

from photometra.errors import InputError
from photometra.exchange.conventions import conventions_of
from photometra.study import Specimen
from photometra.surface import Surface


def numbers(unit="mm", **values):
    surface = Surface({k.replace("__", "."): v for k, v in values.items()})
    return {(r.what, r.convention): r for r in conventions_of(Specimen("Cleat", 40.0, surface), unit)}


def test_a_dielectrics_index_and_roughness():
    found = numbers(ior=1.5, roughness=0.3)
    assert found["Body reflectance at normal incidence", "F0"].numbers[0] == pytest.approx(0.04)
    assert found["Body specular level", "F0 / 0.08"].numbers[0] == pytest.approx(0.5)
    assert found["Roughness", "α, slope width"].numbers[0] == pytest.approx(0.09)
    assert found["Roughness", "glossiness, 1 − roughness"].numbers[0] == pytest.approx(0.7)


def test_lengths_follow_the_unit():
    clear = {"transmission": 1.0, "interior__colour": (0.5, 0.25, 0.25), "interior__depth": 10.0}
    per_mm, per_cm = (numbers(unit, **clear) for unit in ("mm", "cm"))
    a, b = per_mm["Absorption coefficient", "per mm"].numbers, per_cm["Absorption coefficient", "per cm"].numbers
    assert np.allclose(10.0 * np.array(a), b)
    assert a == pytest.approx((np.log(2.0) / 10.0, np.log(4.0) / 10.0, np.log(4.0) / 10.0), rel=0.03)
    with pytest.raises(InputError, match="no unit 'ell'"):
        numbers("ell")


def test_colours_in_every_space():
    """Mid-grey in sRGB is 0.5 encoded for 0.2140 linear; a neutral is one in ACEScg too (IEC 61966-2-1)."""
    found = numbers(metalness=1.0, face_colour=(0.2140,) * 3, edge_colour=(1.0, 1.0, 1.0))
    what = "Reflectance at normal incidence (F0)"
    assert found[what, "sRGB, encoded"].numbers == pytest.approx((0.5,) * 3, abs=2e-3)
    assert found[what, "sRGB, 8 bits"].text == "#7f7f7f" or found[what, "sRGB, 8 bits"].text == "#808080"
    assert found[what, "ACEScg"].numbers == pytest.approx((0.2140,) * 3, abs=2e-3)


def test_what_lies_beyond_a_space_is_neither_clipped_nor_silent():
    """Ten millimetres of a deep ruby let through a red that Rec.709 cannot hold."""
    deep = numbers(metalness=1.0, constants="gold", tint=(1.0, 0.35, 0.0))
    row = deep["Reflectance at normal incidence (F0)", "linear Rec.709"]
    assert row.numbers[2] < 0.0 and "outside Rec.709" in row.note
    assert "clipped" in deep["Reflectance at normal incidence (F0)", "sRGB, encoded"].note


def test_layers_are_told_where_they_are_and_only_there():
    found = numbers(
        coat__amount=0.5, coat__ior=1.6, coat__roughness=0.2, film__amount=1.0, film__thickness=420.0, film__ior=1.9,
        sheen__amount=0.3, sheen__colour=(0.5, 0.25, 0.125),
    )  # fmt: skip
    face = (0.6 / 2.6) ** 2
    assert found["Coat reflectance at normal incidence", "F0"].numbers[0] == pytest.approx(face)
    assert found["Coat roughness", "α, slope width"].numbers[0] == pytest.approx(0.04)
    assert found["Film thickness", "µm"].numbers[0] == pytest.approx(0.42)
    assert found["Sheen colour", "linear Rec.709"].numbers == (0.5, 0.25, 0.125)
    assert not any(what.startswith(("Coat", "Film", "Sheen")) for what, _ in numbers())


def test_what_scatters_below_has_its_path_in_the_unit():
    deep = {"subsurface": 1.0, "subsurface__radius": (3.0, 1.0, 0.5), "subsurface__scale": 2.0}
    assert numbers("cm", **deep)["Mean free path", "cm"].numbers == pytest.approx((0.6, 0.2, 0.1))
    milky = {"transmission": 1.0, "interior__scatter": (0.2, 0.3, 0.4)}
    assert numbers("m", **milky)["Scattering coefficient", "per m"].numbers == pytest.approx((200.0, 300.0, 400.0))
