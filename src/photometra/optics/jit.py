"""How kernels are compiled: one decorator, and a cache that a changed source can never mislead.

Numba's own cache looks only at the file a kernel stands in, not at the kernels it calls. So the
cache folder's name carries a digest of every file that holds one: whichever changes, all is compiled anew.
A kernel must therefore take its constants from files that hold kernels themselves.
"""

import functools
import hashlib
import os
import re
import shutil
from pathlib import Path

import numba
import platformdirs
from numba.core import cgutils
from numba.extending import intrinsic

from .cachefile import MARKER, usable

_PACKAGE = Path(__file__).resolve().parent.parent
_KERNEL_PACKAGES = ("optics", "shapes", "maps", "surface", "instruments", "tracing")
_MARKS = (b"@kernel", b"@owning_kernel", b"@leaf", b"@elementwise", b"@intrinsic")
_KEPT_GENERATIONS = 3
_GENERATION = re.compile(r"[0-9a-f]{16}")


def cache_root() -> Path:
    """Where our own folders of compiled kernels stand, one for each generation of the sources."""
    return Path(platformdirs.user_cache_dir("photometra")) / "kernels"


def cache_folder() -> Path:
    """The folder of compiled kernels for the sources as they stand."""
    digest = hashlib.sha256(numba.__version__.encode())
    # Files of another form are no damaged ones.
    digest.update(Path(__file__).with_name("cachefile.py").read_bytes())
    for package in _KERNEL_PACKAGES:
        for source in sorted((_PACKAGE / package).glob("*.py")):
            text = source.read_bytes()
            if any(mark in text for mark in _MARKS):
                digest.update(text)
    return cache_root() / digest.hexdigest()[:16]


def is_warm() -> bool:
    """Whether the kernels were compiled before for these very sources."""
    return (Path(numba.config.CACHE_DIR) / "warm").exists()


def mark_warm() -> None:
    """Note that every kernel has been compiled, and drop our oldest generations.

    A cache folder that the person named (NUMBA_CACHE_DIR) and its neighbours are theirs: nothing there is removed.
    """
    folder = Path(numba.config.CACHE_DIR)
    try:
        folder.mkdir(parents=True, exist_ok=True)
        (folder / "warm").touch()
    except OSError:
        return  # A full disk: nothing is warm, and that was said.
    if os.environ.get("NUMBA_CACHE_DIR") or folder.parent != cache_root():
        return
    others = [p for p in folder.parent.iterdir() if p != folder and _is_ours(p)]
    for old in sorted(others, key=lambda p: p.stat().st_mtime, reverse=True)[_KEPT_GENERATIONS - 1 :]:
        shutil.rmtree(old, ignore_errors=True)


def _is_ours(folder):
    """Whether a folder is a generation of our kernels: by its name, and by the marker that we leave in each."""
    named = _GENERATION.fullmatch(folder.name) and folder.is_dir() and not folder.is_symlink()
    return bool(named) and (folder / MARKER).is_file()


if not os.environ.get("NUMBA_CACHE_DIR"):
    numba.config.CACHE_DIR = str(usable(cache_folder()))

_OPTIONS = {"nogil": True, "cache": True, "error_model": "numpy", "fastmath": {"contract", "nsz", "arcp"}}
"""No GIL, cached, IEEE division, no reassociation that could hide a NaN."""

kernel = numba.njit(**_OPTIONS, _nrt=False)
"""Decorator for kernels. They make no arrays: without Numba's runtime no reference is counted, a third of the time."""

owning_kernel = numba.njit(**_OPTIONS)
"""Decorator for kernels that make arrays of their own."""

leaf = numba.njit(**_OPTIONS, _nrt=False, forceinline=True)
"""Decorator for what is small and called often: always written into its caller, in the machine's code."""

kernel_part = numba.njit(**_OPTIONS, _nrt=False, inline="always")
"""Decorator for a named part of one long kernel: written into it, as calls with dozens of arrays cost it a fifth."""


def elementwise(signature):
    """Decorator: a scalar function as a NumPy ufunc of one signature, made at its first call.

    Numba takes half a second to wake; a program that only opens a window must not wait for it.
    """

    def wrap(function):
        made = functools.cache(lambda: numba.vectorize([signature], nopython=True, cache=True)(function))

        @functools.wraps(function)
        def call(*arguments):
            return made()(*arguments)

        return call

    return wrap


@intrinsic
def unowned(_context, array):
    """The array without its owner, for use within one kernel call whose caller keeps it.

    Every view of an owned array counts its references up and down, in one place for all threads: that took four tenths
    of the tracer's time.
    """

    def generate(context, builder, signature, arguments):
        view = context.make_array(signature.args[0])(context, builder, arguments[0])
        for owner in ("meminfo", "parent"):
            setattr(view, owner, cgutils.get_null_value(getattr(view, owner).type))
        return view._getvalue()

    return array(array), generate
