"""A library's folder and its index: SQLite with full-text search, made from the files and never the truth."""

import contextlib
import hashlib
import os
import re
import sqlite3
import threading
import time
from dataclasses import dataclass, field
from importlib.resources import files
from pathlib import Path

import platformdirs

from ..errors import InputError
from ..imaging.booths import display_of
from ..names import one_line
from ..pictures import decoded_picture, encoded_png
from ..study import SUFFIX, Booth
from ..words import tr
from .entry import VERSIONS, read_entry, versions_of
from .facts import MATTERS, NAMES, facts_of, matter_of, strata_of

_FORM = 2
"""Of the index; one of another form is made anew."""
_BATCH = 20
_WORD = re.compile(r"[^\W_]+")
_TABLES = f"""
CREATE TABLE entries (
  id INTEGER PRIMARY KEY, file TEXT UNIQUE NOT NULL, size INTEGER, modified INTEGER, name TEXT, matter TEXT,
  strata TEXT, tags TEXT, notes TEXT, rests_on TEXT, readings INTEGER, solved INTEGER, version INTEGER, trouble TEXT,
  picture BLOB,
  {", ".join(f'"{n}" REAL' for n in NAMES)}
);
CREATE VIRTUAL TABLE words USING fts5 (name, tags, matter, notes, tokenize = 'unicode61 remove_diacritics 2');
"""
_COLUMNS = ("file", "name", "matter", "strata", "tags", "notes", "rests_on", "readings", "solved", "version", "trouble")


@dataclass(frozen=True)
class Found:
    """An entry as the index knows it. trouble: why its file cannot be read, "" where it can; facts: {name: value}."""

    path: Path
    name: str
    matter: str
    strata: tuple[str, ...]
    tags: tuple[str, ...]
    notes: str
    rests_on: str
    readings: int
    solved: int
    version: int
    trouble: str
    facts: dict[str, float] = field(compare=False)


def default_library() -> Path:
    """The person's own library."""
    return Path(platformdirs.user_data_dir("photometra")) / "library"


def starter_library() -> Path:
    """The library that ships with the program."""
    return Path(str(files("photometra.library").joinpath("starter")))


def _index_path(folder):
    digest = hashlib.sha256(os.fsencode(folder)).hexdigest()[:16]
    return Path(platformdirs.user_cache_dir("photometra")) / "libraries" / f"{digest}.sqlite"


class Library:
    """One open library. Its index may be used by several programs at once, and by several threads of this one."""

    def __init__(self, folder, index=None):
        """index: its file, instead of the one in the person's cache. InputError where there is no folder."""
        self.folder = Path(folder).resolve()
        if not self.folder.is_dir():
            raise InputError(tr("{0}: there is no such folder", folder))
        self._index = Path(index) if index else _index_path(self.folder)
        self._index.parent.mkdir(parents=True, exist_ok=True)
        self._lock = threading.RLock()
        try:
            self._db = self._opened()
        except sqlite3.DatabaseError:
            # It is a cache: one that is damaged is made anew.
            self._index.unlink(missing_ok=True)
            self._db = self._opened()

    def _opened(self):
        db = sqlite3.connect(self._index, timeout=10.0, check_same_thread=False, isolation_level=None)
        db.execute("PRAGMA journal_mode = WAL")
        db.execute("PRAGMA synchronous = NORMAL")
        with _changing(db):
            if db.execute("PRAGMA user_version").fetchone()[0] != _FORM:
                for (name,) in db.execute(
                    "SELECT name FROM sqlite_master WHERE name IN ('entries', 'words')"
                ).fetchall():
                    db.execute(f"DROP TABLE {name}")
                for statement in _TABLES.split(";"):
                    if statement.strip():
                        db.execute(statement)
                db.execute(f"PRAGMA user_version = {_FORM}")
        return db

    @property
    def is_writable(self):
        return os.access(self.folder, os.W_OK)

    def close(self):
        self._db.close()

    def _files(self):
        """{file below the folder: (size, time of change)} of all entries."""
        found = {}
        for place, folders, names in os.walk(self.folder):
            folders[:] = sorted(f for f in folders if not f.endswith(VERSIONS) and not f.startswith("."))
            for name in names:
                if name.endswith(SUFFIX) and not name.startswith("."):
                    with contextlib.suppress(OSError):
                        there = os.stat(os.path.join(place, name))
                        inner = os.path.relpath(os.path.join(place, name), self.folder)
                        found[inner] = (there.st_size, there.st_mtime_ns)
        return found

    def sync(self, report=None, cancel=None):
        """Bring the index up to the files: what is new or changed is read, what is gone forgotten.

        report(done, of) after each file that is read; False where `cancel` was set on the way: what was done stays.
        """
        there = self._files()
        known = {f: (s, m) for f, s, m in self._all("SELECT file, size, modified FROM entries")}
        gone = known.keys() - there.keys()
        if gone:
            with self._lock, _changing(self._db):
                for file in gone:
                    self._forget(file)
        stale = sorted(f for f, stamp in there.items() if known.get(f) != stamp)
        for begin in range(0, len(stale), _BATCH):
            rows = []
            for i, file in enumerate(stale[begin : begin + _BATCH], begin):
                if cancel is not None and cancel.is_set():
                    break
                rows.append((file, _row(self.folder / file), there[file]))
                if report:
                    report(i + 1, len(stale))
            with self._lock, _changing(self._db):
                for file, row, stamp in rows:
                    self._put(file, row, stamp)
            if cancel is not None and cancel.is_set():
                return False
        return True

    def _forget(self, file):
        found = self._db.execute("SELECT id FROM entries WHERE file = ?", (file,)).fetchone()
        if found:
            self._db.execute("DELETE FROM words WHERE rowid = ?", found)
            self._db.execute("DELETE FROM entries WHERE id = ?", found)

    def _put(self, file, row, stamp):
        self._forget(file)
        row = {"file": file, "size": stamp[0], "modified": stamp[1], **row}
        names = ", ".join(f'"{n}"' for n in row)
        at = self._db.execute(
            f"INSERT INTO entries ({names}) VALUES ({', '.join('?' * len(row))})", tuple(row.values())
        ).lastrowid
        told = tuple(row.get(k, "") for k in ("name", "tags", "matter", "notes"))
        self._db.execute("INSERT INTO words (rowid, name, tags, matter, notes) VALUES (?,?,?,?,?)", (at, *told))

    def __len__(self):
        return self._all("SELECT count(*) FROM entries")[0][0]

    def _all(self, statement, values=()):
        with self._lock:
            return self._db.execute(statement, values).fetchall()

    def find(self, words="", facts=None, matter="", stratum="", most=None) -> list[Found]:
        """Entries by words (every one must begin a word of name, tags, matter or notes), by facts {name: (low, high)},
        by matter and by a stratum that they have; those that fit the words best first, else by name."""
        where, values = ["1"], []
        tokens = _WORD.findall(words)
        source, order = "entries", "name COLLATE NOCASE"
        if words.strip() and not tokens:
            return []
        if tokens:
            source = "words JOIN entries ON entries.id = words.rowid"
            where.append("words MATCH ?")
            values.append(" ".join(f'"{t}"*' for t in tokens))
            # A name says most, then a tag.
            order = "bm25(words, 8.0, 4.0, 2.0, 1.0), entries.name COLLATE NOCASE"
        for name, (low, high) in (facts or {}).items():
            if name not in NAMES:
                raise InputError(tr("there is no fact '{0}'; there are {1}", one_line(name), ", ".join(NAMES)))
            where.append(f'entries."{name}" BETWEEN ? AND ?')
            values += [low, high]
        if matter:
            if matter not in MATTERS:
                raise InputError(tr("there is no material '{0}'; there are {1}", one_line(matter), ", ".join(MATTERS)))
            where.append("entries.matter = ?")
            values.append(matter)
        if stratum:
            where.append("' ' || entries.strata || ' ' LIKE ?")
            values.append(f"% {stratum} %")
        columns = ", ".join(f'entries."{c}"' for c in (*_COLUMNS, *NAMES))
        limit = f" LIMIT {int(most)}" if most else ""
        rows = self._all(f"SELECT {columns} FROM {source} WHERE {' AND '.join(where)} ORDER BY {order}{limit}", values)
        return [self._found(row) for row in rows]

    def _found(self, row):
        told, facts = dict(zip(_COLUMNS, row, strict=False)), row[len(_COLUMNS) :]
        return Found(
            self.folder / told["file"], told["name"] or "", told["matter"] or "", tuple((told["strata"] or "").split()),
            tuple(t for t in (told["tags"] or "").split("\n") if t), told["notes"] or "", told["rests_on"] or "",
            told["readings"] or 0, told["solved"] or 0, told["version"] or 1, told["trouble"] or "",
            {n: v for n, v in zip(NAMES, facts, strict=True) if v is not None},
        )  # fmt: skip

    def picture(self, path):
        """The picture of an entry as PNG, or None."""
        file = os.path.relpath(path, self.folder)
        found = self._all("SELECT picture FROM entries WHERE file = ?", (file,))
        return found[0][0] if found else None

    def entry(self, name) -> Found:
        """An entry by its name, whatever its case; InputError with what is like it where there is none."""
        named = [f for f in self.find() if f.name.casefold() == str(name).strip().casefold()]
        if named:
            return named[0]
        like = ", ".join(f"'{f.name}'" for f in self.find(str(name), most=5)) or tr("nothing like it")
        raise InputError(
            tr("there is no entry '{0}' in {1}; there is {2}", one_line(str(name))[:80], self.folder, like)
        )


@contextlib.contextmanager
def _changing(db):
    """One change of the index, whole or not at all; another program's is waited for."""
    for _ in range(20):
        try:
            db.execute("BEGIN IMMEDIATE")
            break
        except sqlite3.OperationalError:
            time.sleep(0.25)
    else:
        raise InputError(tr("the index of the library is busy; try again in a while"))
    try:
        yield
    except BaseException:
        db.execute("ROLLBACK")
        raise
    db.execute("COMMIT")


def _row(path):
    """What the index keeps of a file; of one that cannot be read, why."""
    try:
        study = read_entry(path)
    except (InputError, OSError) as error:
        return {"name": path.stem, "trouble": str(error)}
    one = study.specimens[0]
    picture = None
    if study.proofs:
        proof = study.proofs[-1]
        with contextlib.suppress(InputError):
            picture = encoded_png(
                display_of(Booth()).picture(decoded_picture(proof.picture, study.images[proof.picture]))
            )
    return {
        "name": one.name, "matter": matter_of(one.surface), "strata": " ".join(strata_of(one.surface)),
        "tags": "\n".join(one.tags), "notes": one.notes, "rests_on": one.rests_on, "readings": len(one.readings),
        "solved": len(one.sigmas), "version": 1 + len(versions_of(path)), "trouble": "", "picture": picture,
        **facts_of(one),
    }  # fmt: skip
