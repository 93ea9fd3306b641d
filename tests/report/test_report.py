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
from photometra.fitting import agreements
from photometra.report import contents_of, write_report
from photometra.report.contents import digest_of
from photometra.report.writing import html_of
from photometra.study import Study, read_file


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
    assert all("read back" in sentence for _, sentence in section.losses)
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
