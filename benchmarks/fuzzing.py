"""Every reader of evidence against spoilt files: how many were tried, and that none broke it.

Files of every kind, as CSV and as CGATS.17 text, are written, spoilt by chance, and read. Each must give a reading or
one sentence, within its time. `python -m benchmarks fuzzing` takes minutes.
"""

import contextlib
import random
import tempfile
import time
import tracemalloc
from pathlib import Path

from photometra.instruments import INSTRUMENTS, measured
from photometra.readings import Choices, ReadingError, read_file, understand, write_cgats, write_text
from photometra.surface import Surface

INPUTS = 100_000
_SLOWEST_S = 2.0
_TOKENS = [
    "nan", "inf", "1e999", "-", ",", ";", "\t", "\n", "#", '"', "'", "%", "wavelength_nm", "sigma", "µm", "eV", "L",
    "a", "BEGIN_DATA", "END_DATA", "BEGIN_DATA_FORMAT", "SPECTRAL_NM400", "CGATS.17", "kind: gloss", "0,5", "1" * 400,
    "\x00", "# thickness: many", "# uncertainty: 2 %", "reflectance_s", "masked", "\ufeff", "𝟙", "()", "[nm]", "per cm",
]  # fmt: skip


def seeds():
    """Whole files of every kind that an instrument makes, in both forms."""
    surface = Surface({"subsurface": 0.5, "roughness": 0.2})
    readings = [measured(key, surface) for key in INSTRUMENTS]
    return [write(r) for r in readings for write in (write_text, write_cgats)]


def spoilt(text, rng):
    """A text with a few things done to it."""
    for _ in range(rng.randint(1, 6)):
        i, j = sorted(rng.randint(0, len(text)) for _ in range(2))
        act = rng.randrange(6)
        if act == 0:
            text = text[:i] + rng.choice(_TOKENS) + text[i:]
        elif act == 1:
            text = text[:i] + text[min(j, i + rng.randint(1, 40)) :]
        elif act == 2:
            text = text[:i] + text[i:j][:300] * rng.randint(2, 3) + text[j:]
        elif act == 3:
            text = text.replace(*(rng.choice([",", ";", "\t", " ", ".", "\n"]) for _ in range(2)), rng.randint(1, 9))
        elif act == 4:
            lines = text.split("\n")
            rng.shuffle(lines)
            text = "\n".join(lines[: rng.randint(1, len(lines))])
        else:
            text = text[:i] + chr(rng.choice([0, 9, 10, 13, 32, 160, 955, 0x2212, 0xFFFD])) + text[i + 1 :]
    return text[:20_000]


def large_texts():
    """{what it is: text} of the largest that is taken (16 MB): rows of numbers, and what only looks like them."""
    rows = range(100_000)
    zeros, cxf = "0" * 140, "http://colorexchangeformat.com/CxF3-core"
    return {
        "plain numbers": "wavelength_nm,reflectance,uncertainty\n"
        + "".join(f"{380 + i * 0.004:.40f},0.5{'0' * 50},0.01{i:030d}\n" for i in rows),
        "numbers too long": "wavelength_nm,reflectance\n" + "".join(f"{380 + i * 0.004},0.5{zeros}\n" for i in rows),
        "empty lines": "\n" * 15_900_000,
        "remarks": "# x: y\n" * 2_200_000,
        "one line": "1," * 7_900_000,
        "sentences": "lorem ipsum dolor sit amet, consectetur\n" * 390_000,
        "CGATS": "CGATS.17\nBEGIN_DATA_FORMAT\nSAMPLE_ID LAB_L LAB_A\nEND_DATA_FORMAT\nBEGIN_DATA\n"
        + "".join(f"s{i} 50.{zeros} 1\n" for i in rows) + "END_DATA\n",
        "YAML": "DATA:\n  - type: tabulated nk\n    data: |\n"
        + "".join(f"        {0.3 + i * 1e-6:.9f} 1.5{'0' * 60} 0.0{'1' * 60}\n" for i in rows),
        "YAML of many parts": "DATA:\n" + "  - type: tabulated nk\n" * 640_000,
        "CxF": f'<?xml version="1.0"?><cc:CxF xmlns:cc="{cxf}">' + "<cc:Object/>" * 1_200_000 + "</cc:CxF>",
    }  # fmt: skip


def large():
    """(slowest in seconds, its name, most memory in MB) over `large_texts`, read from files as they are."""
    slowest, name, peak = 0.0, "", 0
    with tempfile.TemporaryDirectory() as folder:
        for what, text in large_texts().items():
            path = Path(folder) / "a.txt"
            path.write_text(text)
            took = min(_time_to_read(path) for _ in range(2))
            tracemalloc.start()
            _time_to_read(path)
            peak = max(peak, tracemalloc.get_traced_memory()[1] / 1e6)
            tracemalloc.stop()
            slowest, name = max((slowest, name), (took, what))
    return slowest, name, peak


def _time_to_read(path):
    began = time.perf_counter()
    with contextlib.suppress(ReadingError):
        read_file(path)
    return time.perf_counter() - began


def tried(count, seed=5):
    """(readings taken, refused with a sentence, slowest in seconds, most memory in MB) over `count` spoilt texts."""
    rng, whole = random.Random(seed), seeds()
    kinds = ["", "", "", "gloss", "constants", "scatter", "nonsense"]
    taken = refused = 0
    slowest = 0.0
    tracemalloc.start()
    for i in range(count):
        text = spoilt(rng.choice(whole), rng)
        began = time.process_time()
        try:
            found = understand(text, "f", Choices(kind=rng.choice(kinds)))
            sentence = found.problem
        except ReadingError as error:
            found, sentence = None, str(error)
        slowest = max(slowest, time.process_time() - began)
        if found is not None and found.reading is not None:
            taken += 1
        else:
            refused += 1
            if not sentence or "\n" in sentence:
                raise AssertionError(f"input {i}: no one sentence: {sentence!r}")
        if slowest > _SLOWEST_S:
            raise AssertionError(f"input {i} took {slowest:.1f} s")
    peak = tracemalloc.get_traced_memory()[1] / 1e6
    tracemalloc.stop()
    return taken, refused, slowest, peak


def run():
    taken, refused, slowest, peak = tried(INPUTS)
    yield f"fuzzing: {INPUTS} spoilt files, {taken} still taken, {refused} refused with one sentence"
    yield f"fuzzing: slowest {1000 * slowest:.0f} ms, most memory {peak:.0f} MB"
