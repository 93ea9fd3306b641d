"""A library of 10 000 entries: how long until it opens, and how long a search takes."""

import shutil
import tempfile
import time
from pathlib import Path

from .figures import Figure, median_seconds

_COUNT = 10_000
_WORDS = ("brass", "harbour", "lamp", "enamel", "teak", "copper", "satin", "matt", "blue", "worn", "deck", "signal")


def _made(folder, index):
    """A library of many small files, whose index is filled as a first reading would have; the library."""
    import numpy as np

    from photometra.library import Library
    from photometra.library.facts import MATTERS, NAMES
    from photometra.library.folder import _changing

    rng = np.random.default_rng(1)
    library = Library(folder, index)
    with _changing(library._db):
        for i in range(_COUNT):
            file = folder / f"entry-{i:05d}.photometra"
            file.write_bytes(b"x")
            there = file.stat()
            words = [str(w) for w in rng.choice(_WORDS, 3)]
            facts = dict(zip(NAMES, rng.uniform(0.0, 100.0, len(NAMES)).tolist(), strict=True))
            row = {"name": f"{' '.join(words)} {i}".capitalize(), "matter": MATTERS[i % len(MATTERS)], "strata": "coat",
                   "tags": "\n".join(words), "notes": "made by a benchmark", "trouble": "", **facts}  # fmt: skip
            library._put(file.name, row, (there.st_size, there.st_mtime_ns))
    return library


def run():
    from photometra.library import Library, starter_library

    folder = Path(tempfile.mkdtemp())
    try:
        inner = folder / "entries"
        inner.mkdir()
        _made(inner, folder / "index.sqlite").close()

        def opened():
            library = Library(inner, folder / "index.sqlite")
            library.sync()
            found = library.find()
            library.close()
            return found

        assert len(opened()) == _COUNT
        yield Figure("library of 10 000: opens, held against its files", median_seconds(opened), "s", 1.0)
        library = Library(inner, folder / "index.sqlite")
        for name, search in (
            ("words", lambda: library.find("bra sat")),
            ("words, a fact and a stratum", lambda: library.find("lamp", {"gloss60": (20.0, 40.0)}, stratum="coat")),
        ):
            assert search()
            yield Figure(f"library of 10 000: a search by {name}", median_seconds(search), "s", 0.1)
        began = time.perf_counter()
        starter = Library(starter_library(), folder / "starter.sqlite")
        starter.sync()
        yield Figure("starter library read anew, an entry", (time.perf_counter() - began) / len(starter), "s", 0.2)
    finally:
        shutil.rmtree(folder)
