"""What a view shows of parts and mapped values, and whose surface each part has."""

import numpy as np
import pytest

from photometra.demo.making import LANTERN
from photometra.exchange.materialx import openpbr_inputs
from photometra.imaging.booths import parts_of, scene_of, standing, undressed_findings
from photometra.imaging.surveys import false_coloured, levels_in, outlined, tint_of
from photometra.maps import Generator, Layer, Map, Placement
from photometra.shapes.lying import LiesOn
from photometra.tracing import Scene, uniform_environment
from photometra.tracing.survey import Survey, survey

ALONE = Scene(uniform_environment(), stage=False)
RAMP = (Layer(Generator("gradient"), Placement("front", repeat="hold")),)


def test_levels_are_those_of_the_places_that_are_seen():
    seen = survey(ALONE, 60, 60)
    levels = levels_in(seen, Map(RAMP, 0.0, 1.0), LiesOn())
    there = seen.part == 0
    assert np.array_equal(np.isfinite(levels), there)
    # The gradient rises from the foot of the ball to its top; a tile of 64 rows knows it to half a row.
    assert np.allclose(levels[there], seen.places[there][:, 1] / 60.0, atol=0.5 / 64 + 0.001)
    picture = false_coloured(levels)
    assert picture[there][:, 3].min() == 255 and not picture[~there].any()
    # Dark at the bottom, light towards the top of the scale.
    rows = np.nonzero(there.any(axis=1))[0]
    bottom, high = (picture[r, 30, :3].astype(int).sum() for r in (rows[-3], rows[len(rows) // 4]))
    assert high > bottom + 200


def test_an_outline_runs_round_a_part_and_nowhere_else():
    part = np.full((20, 30), -1)
    part[5:15, 8:20] = 3
    part[8:12, 20:25] = 4
    seen = Survey(part, np.zeros((20, 30, 9)))
    edge = outlined(seen, {3})
    assert edge[5, 8:20].all() and edge[5:15, 8].all() and not edge[8:13, 11:17].any()
    assert not edge[:, 24:].any() and not outlined(seen, set()).any()


def test_tints_of_neighbours_differ():
    for i in range(25):
        assert np.abs(tint_of(i) - tint_of(i + 1)).max() > 0.05 and 0.0 <= tint_of(i).min() <= tint_of(i).max() <= 1.0


class TestWhoHasWhat:
    @pytest.fixture(scope="class")
    def lantern(self, demo):
        return demo.specimen(LANTERN)

    def test_every_part_of_the_lantern_is_a_specimen_of_the_demo(self, demo, lantern):
        parts = parts_of(demo, lantern, standing(lantern, demo.meshes))
        assert len(parts) >= 10 and all(p.is_closed for p in parts)
        assert {p.specimen for p in parts} <= {s.name for s in demo.specimens} and None not in {
            p.specimen for p in parts
        }
        assert parts_of(demo, demo.specimens[0], None) == ()

    def test_what_matches_nothing_or_has_nothing_is_said(self, demo, lantern):
        shape = standing(lantern, demo.meshes)
        assert not list(undressed_findings(demo, lantern, shape))
        odd = lantern.with_assigned("sail/*", "Canvas awning").with_assigned("wick", None)
        gone = odd.with_assigned("handle", "A specimen that was")
        said = [f.sentence for f in undressed_findings(demo, gone, shape)]
        assert any("'sail/*'" in s for s in said) and any("wick has no surface" in s for s in said)
        assert any("'A specimen that was'" in s for s in said) and any("handle has no surface" in s for s in said)

    def test_a_part_is_bared_though_its_group_is_dressed(self, demo, lantern):
        bare = lantern.with_assigned("frame/roof", None)
        found = {p.name: p.specimen for p in parts_of(demo, bare, standing(bare, demo.meshes))}
        assert found["frame/roof"] is None and found["frame/base"] == "Brass lamp bracket"
        assert not [s for s in undressed_findings(demo, bare, standing(bare, demo.meshes)) if "'' " in s.sentence]

    def test_a_scene_knows_the_surfaces_of_all_parts(self, demo, lantern):
        scene = scene_of(demo, lantern)
        assert len(scene.dressed) == len(scene.shape.parts)
        # Maps of another specimen lie on the lantern here, not on that specimen's ball.
        bracket, _ = scene.dressed[scene.shape.parts.index("frame/base")]
        assert bracket.maps and bracket.lies_on.shape == lantern.shape and bracket.lies_on.mesh


def test_an_export_says_which_maps_it_leaves_behind(demo):
    _, left_out = openpbr_inputs(demo.specimen("Brass lamp bracket"))
    assert any("map of haze" in s for s in left_out)
    assert not any("map of" in s for s in openpbr_inputs(demo.specimen("Heat-tinted vane"))[1])
