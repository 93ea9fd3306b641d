"""The one declaration of the parameters, and values as people type them."""

import math

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from photometra.surface import (
    PARAMETERS,
    STRATA,
    Surface,
    format_value,
    hex_colour,
    parameter,
    parameters_of,
    parse,
    scalar_owner,
    scalars_of,
)
from photometra.surface.values import HEIGHTS


def test_every_declaration_is_whole():
    for p in PARAMETERS.values():
        assert p.stratum in STRATA and p.label and p.meaning.endswith(".")
        if p.kind == "number":
            low, high = p.hard
            assert low <= p.default <= high and low <= p.span[0] < p.span[1] <= high
            assert all(p.span[0] <= value <= p.span[1] for value, _ in p.marks)
    assert [p.name for s in STRATA for p in parameters_of(s)] == list(PARAMETERS)
    assert Surface().given == {}


@pytest.mark.parametrize(("name", "text", "value"), [
    ("roughness", "0.38", 0.38),
    ("roughness", "gloss 0.7", 0.3),
    ("roughness", "alpha 0.09", 0.3),
    ("roughness", "12 %", 0.12),
    ("roughness", ".5", 0.5),
    ("ior", "reflectance 0.04", 1.5),
    ("ior", "1.5e0", 1.5),
    ("interior.depth", "38 um", 0.038),
    ("interior.depth", "4 cm", 40.0),
    ("interior.depth", "2500 µm", 2.5),
    ("interior.depth", "1500000nm", 1.5),
    ("interior.absorption", "1, 2, 3", (1.0, 2.0, 3.0)),
    ("film.thickness", "92nm", 92.0),
    ("film.thickness", "0.38 um", 380.0),
    ("colour", "#808080", (0.21586050, 0.21586050, 0.21586050)),
    ("colour", "0.1,0.2,0.3", (0.1, 0.2, 0.3)),
    ("colour", "0.4", (0.4, 0.4, 0.4)),
    ("constants", "brass-70-30", "brass-70-30"),
    ("constants", "none", ""),
    ("thin_walled", "yes", True),
    ("thin_walled", "false", False),
    ("coat.thickness", "0.05 mm", 50.0),
    ("coat.thickness", "900nm", 0.9),
    ("rotation", "-45", -45.0),
])  # fmt: skip
def test_values_as_typed(name, text, value):
    found = parse(parameter(name), text)
    assert found == (value if isinstance(value, str) else pytest.approx(value))


@pytest.mark.parametrize(("name", "text", "words"), [
    ("roughness", "much", "is not a number"),
    ("roughness", "1.2", "outside 0 to 1"),
    ("roughness", "0.3 mm", "'mm' is not a unit"),
    ("interior.depth", "0.38 um", "outside"),
    ("roughness", "shine 0.7", "'shine' is not a convention"),
    ("ior", "0.9", "outside 1 to 3"),
    ("ior", "reflectance 1", "is not a number"),
    ("colour", "#12345", "is not a colour"),
    ("colour", "0.1,0.2", "is not a colour"),
    ("colour", "0.1,0.2,red", "'red' is not a number"),
    ("constants", "brasss", "did you mean"),
    ("thin_walled", "perhaps", "neither true nor false"),
    ("film.constants", "reading", "a reading or a model is of the body"),
])  # fmt: skip
def test_what_will_not_do_is_said(name, text, words):
    with pytest.raises(ValueError, match=words):
        parse(parameter(name), text)


@given(st.text(max_size=30))
def test_no_text_breaks_the_parser(text):
    for name in ("roughness", "colour", "interior.absorption", "constants"):
        p = parameter(name)
        try:
            value = parse(p, text)
        except ValueError as error:
            assert "\n" not in str(error) or "\n" in text
        else:
            Surface({name: value})


@given(st.floats(0.0, 1.0), st.floats(0.001, 10000.0))
def test_what_is_shown_can_be_typed_again(roughness, depth):
    for name, value in (("roughness", roughness), ("interior.depth", depth)):
        p = parameter(name)
        again = parse(p, format_value(p, value))
        assert again == pytest.approx(value, rel=0.06, abs=10.0**-p.digits)


def test_hex_colours():
    assert hex_colour((1.0, 0.0, 0.21586)) == "#ff0080"
    assert hex_colour((2.0, -1.0, 0.0)) == "#ff0000"
    assert parse(parameter("colour"), hex_colour((0.2, 0.4, 0.6))) == pytest.approx((0.2, 0.4, 0.6), abs=0.005)


def test_unknown_parameters_are_named_with_near_ones():
    with pytest.raises(ValueError, match="did you mean roughness"):
        parameter("roughnes")
    with pytest.raises(ValueError):
        Surface({"shine": 1.0})


class TestSurface:
    def test_defaults_are_not_kept_so_equal_surfaces_are_equal(self):
        assert Surface({"roughness": 0.3}) == Surface()
        assert hash(Surface({"ior": 1.6, "roughness": 0.2})) == hash(Surface({"roughness": 0.2, "ior": 1.6}))

    @pytest.mark.parametrize("bad", [math.nan, math.inf, "0.3", True, -0.1, None])
    def test_only_numbers_in_range_are_kept(self, bad):
        with pytest.raises(ValueError):
            Surface({"roughness": bad})
        with pytest.raises(ValueError):
            Surface({"colour": (0.1, bad, 0.2)})

    def test_scalars_reach_into_colours(self):
        s = Surface().with_scalars({"colour.g": 0.5, "roughness": 0.1})
        assert s["colour"] == (0.18, 0.5, 0.18) and s["roughness"] == 0.1
        assert s.scalar("colour.g") == 0.5
        assert scalars_of("colour", (0.1, 0.2, 0.3)) == ["colour.r", "colour.g", "colour.b"]
        assert scalar_owner("colour.b") == (parameter("colour"), "b")

    def test_a_face_colour_lets_the_table_go(self):
        brass = Surface({"metalness": 1.0, "constants": "brass-70-30"})
        assert brass.with_values({"face_colour": (0.9, 0.8, 0.3)})["constants"] == ""
        assert brass.with_values({"roughness": 0.9})["constants"] == "brass-70-30"

    def test_what_applies(self):
        metal = Surface({"metalness": 1.0})
        assert metal.applies("face_colour") and not metal.applies("ior") and not metal.applies("interior.colour")
        assert not Surface().applies("interior.depth")
        clear = Surface({"transmission": 1.0})
        assert clear.applies("interior.depth") and not clear.applies("colour")
        assert not Surface().applies("haze.spread") and Surface({"haze.amount": 0.1}).applies("haze.spread")

    def test_every_number_parameter_that_applies_changes_the_compiled_arrays(self):
        bases = [
            Surface({"haze.amount": 0.3}),
            Surface({"metalness": 1.0}),
            Surface({"film.amount": 0.6, "coat.amount": 0.5}),
            Surface({"subsurface": 0.7}),
            Surface({"transmission": 1.0, "interior.colour": (0.5, 0.2, 0.1), "interior.scatter": (1, 2, 3)}),
            Surface({"sheen.amount": 0.4, "anisotropy": 0.5}),
            Surface({"coat.amount": 0.5, "coat.anisotropy": 0.4, "coat.colour": (0.9, 0.5, 0.2)}),
            Surface({"subsurface": 0.7, "subsurface.shallow": 0.3, "subsurface.deep": 0.2}),
            Surface({"transmission": 0.5, "thin_walled": True, "interior.colour": (0.5, 0.2, 0.1)}),
            Surface({"reverse.translucency": 0.3}),
            Surface({"metalness": 1.0, "constants": "model", "model.strength1": 1.0, "model.strength2": 2.0}),
        ]
        for p in PARAMETERS.values():
            # Heights show only where a map drives them: tests/tracing/test_varying.py,
            # tests/tracing/test_coat_relief.py, tests/imaging/test_relief.py.
            if p.kind == "constants" or p.name in (*HEIGHTS, "coat.levelling"):
                continue
            applying = [b for b in bases if b.applies(p.name)]
            # Where it applies it may still act on something absent: the colour of a coat without colour is thickness's.
            if p.kind == "switch":
                assert applying and any(_differ(b, b.with_values({p.name: not b[p.name]})) for b in applying), p.name
                continue
            low, high = p.span
            other = low + 0.37 * (high - low)
            value = other if p.kind == "number" else (other, 0.5 * other, 0.2 * other)
            assert applying and any(_differ(b, b.with_values({p.name: value})) for b in applying), p.name


def _differ(a, b):
    from photometra.surface.compile import compile_surface

    pairs = zip(compile_surface(a).arrays, compile_surface(b).arrays, strict=True)
    return any(not np.array_equal(x, y) for x, y in pairs)
