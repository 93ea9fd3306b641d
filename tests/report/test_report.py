"""Calibration reports: what stands in them is what the study says; nothing in them is obeyed, nothing fetched."""

import html
import re
import threading
from dataclasses import replace

import numpy as np
import pypdfium2
import pytest

from photometra.cli import main
from photometra.errors import InputError
from photometra.fitting import agreements, solve, tied
from photometra.instruments import measured
from photometra.pictures import decoded_picture
from photometra.report import contents_of, write_report
from photometra.report.charts import chart_of
from photometra.report.contents import digest_of
from photometra.report.writing import html_of, with_decimal
from photometra.study import Study, read_file
from photometra.surface import Surface


@pytest.fixture(scope="module", autouse=True)
def few_samples():
    """Pictures are looked at for being there, not for being clean."""
    with pytest.MonkeyPatch.context() as patch:
        patch.setattr("photometra.report.contents._SAMPLES", 6)
        yield


@pytest.fixture(scope="module")
def small(demo):
    """The enamelled plate alone, with an error on one value, and a name that would be markup."""
    one = demo.specimens[1]
    named = replace(one, name="Plate <img src='file:///dev/zero'>", sigmas={"roughness": 0.0123}, rests_on="a & b")
    return Study("Quay <script>", (named,), demo.booth)


@pytest.fixture(scope="module")
def contents(small):
    return contents_of(small)


def test_it_says_what_the_study_says(small, contents):
    (section,), one = contents.sections, small.specimens[0]
    found = agreements(one.surface, one.readings)
    assert (section.within, section.count) == (sum(a.within for a in found), len(found))
    for row, agreement in zip(section.readings, found, strict=True):
        assert float(row.value) == pytest.approx(agreement.value, rel=0.01)
        assert row.verdict == ("within tolerance" if agreement.within else "out of tolerance")
        assert row.chart.startswith("<svg") and row.chart.rstrip().endswith("</svg>")
    rough = next(p for p in section.parameters if p.name == "roughness")
    assert rough.sigma == "0.012" and rough.told_by
    assert all("own equations" in sentence for _, sentence in section.losses)
    assert section.pictures[0][1][:4] == b"\x89PNG"


def test_the_digest_is_of_all_that_the_study_holds(small, contents):
    assert contents.digest == digest_of(small) and re.fullmatch(r"[0-9a-f]{64}", contents.digest)
    other = small.with_specimen_at(0, small.specimens[0].with_values({"roughness": 0.31}))
    assert digest_of(other) != contents.digest


def test_names_are_text_and_all_is_in_one_file(contents):
    text = html_of(contents)
    assert "<script" not in text and "src='file" not in text and html.escape("<script>") in text
    sources = re.findall(r'src="([^"]{0,30})', text)
    assert sources and all(s.startswith("data:image/png;base64,") for s in sources)
    assert not re.search(r'(href|src)="(?!data:|#)', text)


@pytest.mark.long
def test_it_brings_its_type_along_and_writes_numbers_as_asked(contents):
    text = html_of(contents)
    assert text.count("@font-face") == 3 and "/* faces */" not in text
    comma = html_of(replace(contents, decimal=","))
    rough = next(p for p in contents.sections[0].parameters if p.name == "roughness")
    assert f"± {rough.sigma}" in text and f"± {rough.sigma.replace('.', ',')}" in comma
    assert contents.version in comma and contents.digest in comma
    # What looks like a number and is none stays: a version, a date, a file's name.
    assert with_decimal("1.2.3, 2026.11, v1.5, 0.4 to 12.75 %", ",") == "1.2.3, 2026,11, v1.5, 0,4 to 12,75 %"
    agreement = agreements(*_one_reading())[0]
    assert chart_of(agreement, ",") != chart_of(agreement)


def _one_reading():
    surface = Surface({"roughness": 0.3})
    return surface, (measured("spectrophotometer", surface, "di:8"),)


@pytest.mark.long
def test_what_trades_against_what_is_said(small):
    surface = Surface({"roughness": 0.3, "coat.amount": 1.0, "coat.roughness": 0.2})
    readings = (measured("glossmeter", surface),)
    pairs = tied(surface, readings, ("roughness", "coat.roughness", "coat.ior"))
    assert len(pairs) == 3 and [abs(c) for *_, c in pairs] == sorted((abs(c) for *_, c in pairs), reverse=True)
    # The correlation of a solve that stays where it is.
    found = solve(surface, readings, ("coat.roughness", "coat.ior"))
    (a, b, c), *_ = tied(found.surface, readings, ("coat.roughness", "coat.ior"))
    assert (a, b) == ("coat.ior", "coat.roughness") and c == pytest.approx(found.correlation[0, 1], abs=0.02)
    one = replace(
        small.specimens[0], name="Tied", surface=surface, readings=readings, free=("coat.roughness", "coat.ior")
    )
    (section,) = contents_of(Study("s", (one,), small.booth)).sections
    assert abs(c) > 0.5 and "coat roughness" in section.ties[0]
    assert tied(surface, readings, ("roughness",)) == [] and tied(surface, (), ("roughness", "coat.ior")) == []


@pytest.mark.long
def test_a_photograph_stands_beside_its_render_with_the_map_between(demo):
    rail = next(s for s in demo.specimens if s.reference is not None)
    (section,) = contents_of(demo, [rail]).sections
    captions = [caption for caption, _ in section.pictures]
    assert captions[1].startswith("Photograph in the frame of the render")
    assert "ΔE2000 between the two" in captions[2] and "Pins:" in captions[2]
    shown = decoded_picture("map.png", section.pictures[2][1])
    assert shown.shape == (360, 480, 3) and np.ptp(shown) > 0.2


@pytest.mark.long
def test_a_pdf_has_pages_with_ink_on_them(contents, tmp_path):
    write_report(contents, tmp_path / "r.pdf", "Letter")
    document = pypdfium2.PdfDocument(tmp_path / "r.pdf")
    assert len(document) >= 2
    width, height = document[0].get_size()
    assert (width, height) == pytest.approx((612.0, 792.0), abs=1.0)
    for i in range(len(document)):
        page = np.asarray(document[i].render(scale=0.5).to_pil().convert("L"))
        assert 0.002 < (page < 200).mean() < 0.6
    text = "".join(document[i].get_textpage().get_text_range() for i in range(len(document)))
    assert "Parameters" in text and "What the evidence cannot tell" in text


def test_cancelled_there_is_none(small):
    cancel = threading.Event()
    cancel.set()
    assert contents_of(small, cancel=cancel) is None


@pytest.mark.parametrize(
    ("name", "paper", "sentence"), [("r.txt", "A4", "ends in .html or .pdf"), ("r.html", "A3", "no paper")]
)
def test_other_suffixes_and_papers_are_refused(contents, tmp_path, name, paper, sentence):
    with pytest.raises(InputError, match=sentence):
        write_report(contents, tmp_path / name, paper)
    assert not list(tmp_path.iterdir())


def test_from_the_command_line(own_demo, tmp_path, capsys):
    out = tmp_path / "plate.html"
    assert main(["report", str(own_demo), "enamelled NUMBER plate", "-o", str(out), "--json"]) == 0
    assert digest_of(read_file(own_demo)) in capsys.readouterr().out
    assert "Enamelled number plate" in out.read_text()
    assert main(["report", str(own_demo), "Nobody", "-o", str(out)]) == 2
    assert main(["report", str(own_demo), "-o", str(own_demo)]) == 2
