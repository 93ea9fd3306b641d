"""How kernels are compiled: one decorator, and a cache that a changed source can never mislead.

Numba's own cache looks only at the file a kernel stands in, not at the kernels it calls. So the
cache folder's name carries a digest of every file that holds one: whichever changes, all is compiled anew.
A kernel must therefore take its constants from files that hold kernels themselves.

Numba takes half a second to wake, and a window must not wait for it. Until the first kernel is called, kernels are
stand-ins (`Kernel`) that keep their function; then all of them are handed to Numba at once, and every module that has a
stand-in gets the real one in its place.
"""

import functools
import hashlib
import math
import os
import re
import shutil
import sys
import threading
from contextlib import contextmanager
from importlib.metadata import version
from pathlib import Path

import numpy as np
import platformdirs

from ..errors import InputError
from ..words import tr
from .cachefolder import MARKER, usable

_PACKAGE = Path(__file__).resolve().parent.parent
_KERNEL_PACKAGES = ("optics", "shapes", "maps", "surface", "instruments", "tracing")
_MARKS = (b"@kernel", b"@owning_kernel", b"@leaf", b"@intrinsic", b"_intrinsic")
_KEPT_GENERATIONS = 3
_GENERATION = re.compile(r"[0-9a-f]{16}")


def cache_root() -> Path:
    """Where our own folders of compiled kernels stand, one for each generation of the sources."""
    return Path(platformdirs.user_cache_dir("photometra")) / "kernels"


def cache_folder() -> Path:
    """The folder of compiled kernels for the sources as they stand."""
    digest = hashlib.sha256(version("numba").encode())
    # Numba keeps them by where the sources stand: those of another copy are of no use to this one.
    digest.update(str(_PACKAGE).encode())
    # Files of another form are no damaged ones.
    digest.update(Path(__file__).with_name("cachefile.py").read_bytes())
    for package in _KERNEL_PACKAGES:
        for source in sorted((_PACKAGE / package).glob("*.py")):
            text = source.read_bytes()
            if any(mark in text for mark in _MARKS):
                digest.update(text)
    return cache_root() / digest.hexdigest()[:16]


@functools.cache
def in_use() -> Path:
    """The folder that compiled kernels are kept in: the person's own, or ours, which is made."""
    return Path(os.environ.get("NUMBA_CACHE_DIR") or usable(cache_folder()))


def is_warm() -> bool:
    """Whether the kernels were compiled before for these very sources."""
    return (in_use() / "warm").exists()


def mark_warm() -> None:
    """Note that every kernel has been compiled, and drop our oldest generations.

    A cache folder that the person named (NUMBA_CACHE_DIR) and its neighbours are theirs: nothing there is removed.
    """
    folder = in_use()
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


_LOCK = threading.RLock()
_WAITING: list["Kernel"] = []


class Kernel:
    """Stands for a compiled function until the first of all is called. py_func: the function itself.

    make: what makes the real one of the function, once Numba is there.
    """

    def __init__(self, function, make):
        functools.update_wrapper(self, function)
        self.py_func, self._make, self.real = function, make, None

    def __call__(self, *arguments):
        awake()
        return self.real(*arguments)


_OPEN = threading.Event()
_OPEN.set()
_GIVEN_UP = threading.Event()


@contextmanager
def held_back():
    """While within, threads that call the first kernel wait; where it ends by an error, they get InputError.

    The program's main thread never waits, as a window's must not.
    """
    _GIVEN_UP.clear()
    _OPEN.clear()
    try:
        yield
    except BaseException:
        _GIVEN_UP.set()
        raise
    finally:
        _OPEN.set()


def awake():
    """Have Numba make all kernels there are, and put them where their stand-ins are; at once where that was done."""
    if threading.current_thread() is not threading.main_thread():
        _OPEN.wait()
        if _GIVEN_UP.is_set():
            raise InputError(tr("nothing can be worked out before the renderer is compiled"))
    with _LOCK:
        if not _WAITING:
            return
        import numba
        from numba.core import types
        from numba.extending import typeof_impl

        from . import cachefile

        cachefile.install()
        numba.config.CACHE_DIR = str(in_use())
        # One that is still somewhere else counts as what it stands for.
        if Kernel not in typeof_impl.registry:
            typeof_impl.register(Kernel)(lambda kernel, _context: types.Dispatcher(kernel.real))
        made, _WAITING[:] = list(_WAITING), []
        for one in made:
            one.real = one._make(one.py_func)
        for module in list(sys.modules.values()):
            held = getattr(module, "__dict__", None) or {}
            for name, value in list(held.items()):
                if type(value) is Kernel and value.real is not None:
                    held[name] = value.real


def _decorator(**more):
    options = {**_OPTIONS, **more}

    def wrap(function):
        return _waiting(function, lambda f: sys.modules["numba"].njit(**options)(f))

    return wrap


def _waiting(function, make):
    with _LOCK:
        one = Kernel(function, make)
        _WAITING.append(one)
        return one


_OPTIONS = {"nogil": True, "cache": True, "error_model": "numpy", "fastmath": {"contract", "nsz", "arcp"}}
"""No GIL, cached, IEEE division, no reassociation that could hide a NaN."""

kernel = _decorator(_nrt=False)
"""Decorator for kernels. They make no arrays: without Numba's runtime no reference is counted, a third of the time."""

owning_kernel = _decorator()
"""Decorator for kernels that make arrays of their own."""

leaf = _decorator(_nrt=False, forceinline=True)
"""Decorator for what is small and called often: always written into its caller, in the machine's code."""

kernel_part = _decorator(_nrt=False, inline="always")
"""Decorator for a named part of one long kernel: written into it, as calls with dozens of arrays cost it a fifth."""


def mapped(one_by_one, kind, *arguments):
    """A kernel that takes flat arrays and fills the last, over arguments that broadcast; shaped as they are, of `kind`.

    Numba's ufuncs do the same, but their wrappers are compiled anew in every process.
    """
    shape = np.broadcast_shapes(*(np.shape(a) for a in arguments))
    # Copies: a view that may not be written is another type to Numba, and each mixture of the two another kernel.
    flat = [np.array(np.broadcast_to(a, shape), order="C").reshape(-1) for a in arguments]
    filled = np.empty(math.prod(shape), kind)
    one_by_one(*flat, filled)
    return filled.reshape(shape)[()]


def _unowned(_context, array):
    """The array without its owner, for use within one kernel call whose caller keeps it.

    Every view of an owned array counts its references up and down, in one place for all threads: that took four tenths
    of the tracer's time.
    """
    from numba.core import cgutils

    def generate(context, builder, signature, arguments):
        view = context.make_array(signature.args[0])(context, builder, arguments[0])
        for owner in ("meminfo", "parent"):
            setattr(view, owner, cgutils.get_null_value(getattr(view, owner).type))
        return view._getvalue()

    return array(array), generate


def _intrinsic(function):
    from numba.extending import intrinsic as made

    return made(function)


unowned = _waiting(_unowned, _intrinsic)


def intrinsic(function):
    """Decorator for what is written in the machine's own terms, as Numba's intrinsics are."""
    return _waiting(function, _intrinsic)
