"""The demo: made by script from hidden samples, the same each time, and visibly off at first."""

import pytest

from photometra.demo import make_study, write_demo
from photometra.fitting import agreements
from photometra.study import read_file


@pytest.mark.long
def test_it_is_the_same_each_time_and_differs_by_seed(demo, tmp_path):
    assert make_study() == demo
    assert make_study(seed=1) != demo
    write_demo(tmp_path / "a.photometra")
    assert read_file(tmp_path / "a.photometra") == demo


def test_it_holds_the_specimens_with_their_evidence(demo):
    kinds = {s.name: [r.kind_key for r in s.readings] for s in demo.specimens}
    assert kinds == {
        "Brass lamp bracket": ["constants", "reflectance", "reflectance", "gloss"],
        "Enamelled number plate": ["reflectance", "reflectance", "gloss", "colour"],
        "Lens prism": ["index", "gloss", "specular"],
        "Heat-tinted vane": ["reflectance", "reflectance", "gloss", "ellipsometry"],
        "Beeswax seal block": ["reflectance", "reflectance", "gloss", "scatter"],
        "Varnished teak rail": ["reflectance", "reflectance", "gloss"],
        "Ruby signal glass": ["index", "transmittance", "gloss"],
        "Canvas awning": ["reflectance", "reflectance", "lobe", "transmittance"],
        "Wool-felt duster": ["reflectance", "reflectance", "lobe"],
        "Gallery lantern": [],
    }
    assert all("simulated" in r.source for s in demo.specimens for r in s.readings)


def test_there_is_something_to_solve(demo):
    for specimen in demo.specimens[:-1]:
        before = agreements(specimen.surface, specimen.readings)
        assert sum(not a.within for a in before) >= 2, specimen.name


def test_every_name_is_of_the_invented_scenario(demo):
    assert demo.name == "Harrow Skerry"
    assert all(s.notes for s in demo.specimens)
