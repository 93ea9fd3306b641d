"""The files of compiled kernels, held against damage: what is spoilt is compiled anew, and that is said once.

Numba keeps machine code in files and runs what it finds there. Here each file carries a digest; one that was cut short,
emptied or changed counts as absent. A disk that takes no more is named, and the program goes on without a cache.
"""

import fcntl
import hashlib
import os
from contextlib import contextmanager, suppress
from pathlib import Path

from numba.core import caching

from .. import faults
from ..words import tr

_DIGEST = hashlib.sha256().digest_size


class CheckedCacheFile(caching.IndexDataCacheFile):
    """Numba's index and data files of one kernel, each with a digest at its end."""

    def load(self, key):
        try:
            with self._alone():
                return super().load(key)
        except Exception:
            # Whatever a spoilt file does to the reader: it is dropped, and the kernel compiled anew.
            self._drop()
            return None

    def save(self, key, data):
        try:
            with self._alone():
                super().save(key, data)
        except OSError as error:
            faults.remark(
                tr(
                    "compiled kernels cannot be kept in {0} ({1}); each start compiles them anew until there is room",
                    self._cache_path,
                    error.strerror or error,
                )
            )
        except Exception:
            self._drop()
            with self._alone():
                super().save(key, data)

    @contextmanager
    def _alone(self):
        """Keep other processes out of this folder: two that save at once would give two kernels the same file, and
        each would run what the other compiled. A file system without locks goes without."""
        try:
            lock = open(Path(self._cache_path, ".lock"), "ab")  # noqa: SIM115
        except OSError:
            yield
            return
        with lock:
            with suppress(OSError):
                fcntl.flock(lock, fcntl.LOCK_EX)
            yield

    def _drop(self):
        faults.remark(tr("compiled kernels in {0} were damaged; they are compiled anew", self._cache_path))
        Path(self._index_path).unlink(missing_ok=True)

    def _load_index(self):
        if not os.path.exists(self._index_path):
            return {}
        _check(self._index_path)
        return super()._load_index()

    def _load_data(self, name):
        _check(self._data_path(name))
        return super()._load_data(name)

    @contextmanager
    def _open_for_write(self, filepath):
        # The reader stops where what was written ends: a digest behind it goes unseen, and comes in the same step.
        with super()._open_for_write(filepath) as file:
            yield file
            file.flush()
            file.write(hashlib.sha256(Path(file.name).read_bytes()).digest())


def _check(path):
    """ValueError where a file is not what the digest at its end says."""
    data = Path(path).read_bytes()
    if hashlib.sha256(data[:-_DIGEST]).digest() != data[-_DIGEST:]:
        raise ValueError(f"{path} is damaged")


def install():
    """Have Numba keep its files so."""
    caching.IndexDataCacheFile = CheckedCacheFile
