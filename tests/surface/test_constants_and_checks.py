"""The built-in tables, and what is said of surfaces that make no sense."""

import numpy as np
import pytest

from photometra.optics import fresnel_conductor
from photometra.study import Effort
from photometra.surface import Surface, table, table_names
from photometra.surface.checks import findings, picture_findings
from photometra.surface.compile import compile_surface
from photometra.surface.constants import choosing


def test_all_tables_are_there_and_sound():
    assert len(table_names()) == 56
    for key in table_names():
        t = table(key)
        assert t.name and t.matter and t.source, key
        assert np.all(np.diff(t.wavelength_nm) > 0) and np.all(t.n > 0) and np.all(t.k >= 0), key
        n, k = t.on_grid()
        assert np.all(np.isfinite(n)) and np.all(np.isfinite(k)), key


@pytest.mark.parametrize(("key", "at_nm", "low", "high"), [
    # Reflectances facing us that any handbook gives.
    ("silver", 550.0, 0.93, 0.99),
    ("gold", 650.0, 0.92, 0.985),
    ("gold", 450.0, 0.30, 0.45),
    ("aluminium", 550.0, 0.88, 0.93),
    ("copper", 650.0, 0.90, 0.98),
])  # fmt: skip
def test_well_known_metals_reflect_as_they_should(key, at_nm, low, high):
    matching = [name for name in table_names() if name.startswith(key)]
    assert matching, f"no table for {key}"
    n, k = table(matching[0]).on_grid([at_nm])
    assert low < fresnel_conductor(1.0, n, k)[0] < high


def test_choosing_a_table_sets_the_matter_it_is_of():
    assert choosing("brass-70-30") == {"constants": "brass-70-30", "metalness": 1.0}
    assert choosing("reading") == {"constants": "reading"}
    clear = next(name for name in table_names() if not table(name).is_opaque)
    assert choosing(clear)["metalness"] == 0.0
    with pytest.raises(ValueError, match="did you mean"):
        table("brass-70-3")


def sentences(values, size=60.0, reading=False):
    return [f.sentence for f in findings(Surface(values), size, reading)]


@pytest.mark.parametrize(("values", "words"), [
    ({"constants": "reading", "metalness": 1.0}, "no reading of constants"),
    ({"metalness": 1.0, "transmission": 1.0}, "does nothing in a metal"),
    ({"metalness": 0.4}, "a mixture"),
    ({"ior": 1.0}, "reflects nothing"),
    ({"abbe": 5.0}, "disperses more"),
    ({"coat.amount": 1.0, "coat.ior": 1.0}, "is air"),
    ({"subsurface": 1.0, "subsurface.radius": (90.0, 9.0, 9.0)}, "long against the specimen"),
    ({"subsurface": 1.0, "subsurface.shallow": 0.9, "subsurface.deep": 0.5}, "add up to 1.4"),
    ({"subsurface": 1.0, "subsurface.scale": 0.001}, "smaller than a pixel"),
    ({"haze.amount": 0.2, "haze.spread": 0.0}, "cannot be seen"),
    ({"colour": (0.99, 0.99, 0.99)}, "fresh snow"),
    ({"transmission": 1.0, "interior.absorption": (5.0, 5.0, 5.0)}, "black"),
])  # fmt: skip
def test_nonsense_is_said_and_its_mend_mends_it(values, words):
    found = [f for f in findings(Surface(values), 60.0, False) if words in f.sentence]
    assert found, sentences(values)
    assert found[0].mend and found[0].mend_label
    after = Surface(values).with_values(found[0].mend)
    assert not any(words in s for s in sentences(after.given))


def test_a_bubble_is_no_nonsense_and_advice_is_no_fault():
    bubble = {"thin_walled": True, "transmission": 1.0, "ior": 1.0, "film.amount": 1.0, "film.ior": 1.33}
    assert sentences({**bubble, "film.thickness": 400.0}) == []
    assert all(f.is_advice for f in findings(Surface({"colour": (0.99, 0.99, 0.99)}), 60.0, False))
    assert not any(f.is_advice for f in findings(Surface({"ior": 1.0}), 60.0, False))


def test_a_sound_surface_has_no_findings(demo):
    assert sentences({}) == []
    for s in demo.specimens:
        assert findings(s.surface, s.size_mm, True) == []


def test_constants_from_a_reading():
    s = Surface({"constants": "reading", "metalness": 1.0})
    with pytest.raises(ValueError, match="no active reading"):
        compile_surface(s)
    t = table("brass-70-30")
    own = compile_surface(s, (t.wavelength_nm, t.n, t.k))
    built_in = compile_surface(Surface({"constants": "brass-70-30", "metalness": 1.0}))
    for a, b in zip(own.arrays, built_in.arrays, strict=True):
        assert a == pytest.approx(b, abs=1e-12)


@pytest.mark.parametrize(("values", "words", "mended"), [
    ({"metalness": 1.0, "sheen.amount": 0.3}, "fibres", {"sheen.amount": 0.0}),
    ({"transmission": 1.0, "sheen.amount": 0.3}, "dust", {"sheen.amount": 0.0}),
    ({"coat.amount": 1.0, "coat.thickness": 0.0, "coat.colour": (0.9, 0.5, 0.2)}, "of no thickness",
     {"coat.thickness": 50.0}),
    ({"anisotropy": 0.5, "roughness": 0.0}, "mirror", {"roughness": 0.2}),
    ({"metalness": 1.0, "thin_walled": True}, "through a metal", {"thin_walled": False}),
    ({"thin_walled": True}, "lets nothing through", {"transmission": 1.0}),
    ({"reverse.translucency": 0.3, "subsurface": 0.5}, "no depth to scatter in", None),
    ({"thin_walled": True, "transmission": 1.0, "interior.scatter": (1.0, 1.0, 1.0)}, "does not scatter", None),
    ({"opacity": 0.0}, "Nothing of the surface", {"opacity": 1.0}),
])  # fmt: skip
def test_what_makes_no_sense_in_layers_and_sheets_is_said_and_its_mend_helps(values, words, mended):
    surface = Surface(values)
    found = next(f for f in findings(surface, 60.0, False) if words in f.sentence)
    assert mended is None or dict(found.mend) == mended
    after = surface.with_values(found.mend)
    assert not any(words in f.sentence for f in findings(after, 60.0, False))


def test_what_the_running_picture_shows_is_said_with_a_mend_of_the_limits():
    glass = Surface({"transmission": 1.0})
    assert picture_findings(glass, Effort(), 0.001) == []
    cut, clamped = picture_findings(glass, Effort(reflection=2, transmission=4, clamp=3.0), 0.08)
    assert "8.0 %" in cut.sentence and dict(cut.mend) == {"reflection": 16, "transmission": 256}
    assert "3" in clamped.sentence and dict(clamped.mend) == {"clamp": 0.0}
    wax = Surface({"subsurface": 1.0})
    assert "volume" in picture_findings(wax, Effort(volume=10), 0.5)[0].mend
    assert "transmission" not in picture_findings(Surface({"metalness": 1.0}), Effort(), 0.5)[0].mend
