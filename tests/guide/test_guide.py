"""The guide: a page for every stratum and instrument; links that lead somewhere; nothing declared is left out."""

import sys
from pathlib import Path
from xml.etree import ElementTree

import pytest

from photometra import guide
from photometra.errors import InputError
from photometra.instruments import INSTRUMENTS
from photometra.surface import PARAMETERS, STRATA

sys.path.insert(0, str(Path(__file__).parents[2] / "tools"))
import make_docs


def test_every_stratum_and_instrument_has_a_page_that_names_what_is_declared():
    for p in PARAMETERS.values():
        assert f"`{p.name}`" in guide.page(p.stratum) and p.meaning in guide.page(p.stratum)
    for key, one in INSTRUMENTS.items():
        assert guide.title(key) == one.label and "Compared by" in guide.page(key)
    assert set(STRATA) | set(INSTRUMENTS) <= set(guide.topics())


def test_every_page_is_reached_from_the_first_and_all_links_lead_somewhere():
    reached, ahead = set(), ["index"]
    while ahead:
        topic = ahead.pop()
        if topic not in reached:
            reached.add(topic)
            ahead += guide.links(topic)
    assert reached == set(guide.topics())


@pytest.mark.parametrize("topic", guide.topics())
def test_a_page_begins_with_its_heading_and_says_something(topic):
    text = guide.page(topic)
    assert text.startswith("# ") and len(text) > 200 and text.endswith("\n")
    assert text.count("**") % 2 == 0


def test_there_is_no_other_page():
    with pytest.raises(InputError, match="there is no page 'cheese' in the guide"):
        guide.page("cheese")


def test_the_site_is_built_and_has_every_page(tmp_path):
    assert make_docs.main(tmp_path) == 0
    assert {f"{t}.html" for t in guide.topics()} <= {p.name for p in tmp_path.iterdir()}
    assert "http" not in (tmp_path / "finish.html").read_text().split("</head>")[0].replace("http-equiv", "")


def test_every_stratum_and_instrument_has_a_picture_that_says_what_it_shows():
    assert set(guide.pictures()) == set(STRATA) | set(INSTRUMENTS)
    for topic in guide.pictures():
        root = ElementTree.fromstring(guide.picture(topic))
        told = root.find("{http://www.w3.org/2000/svg}title").text
        assert len(told) > 40 and f"![{told}](pictures/{topic}.svg)" in guide.page(topic)
        # Nothing lies beside the canvas.
        width, height = float(root.get("width")), float(root.get("height"))
        for text in root.iter("{http://www.w3.org/2000/svg}text"):
            reach = 0.55 * float(text.get("font-size")) * len(text.text)
            left = float(text.get("x")) - {"start": 0.0, "middle": 0.5 * reach, "end": reach}[text.get("text-anchor")]
            assert left > -4.0 and left + reach < width + 4.0 and 0.0 < float(text.get("y")) < height, text.text
