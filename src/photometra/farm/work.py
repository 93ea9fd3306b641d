"""What a worker does. Imported there; nothing here needs Dask."""

import hashlib
import pickle
import threading
from collections import OrderedDict

from .. import __version__
from ..errors import InputError
from ..optics.jit import cache_folder
from ..tracing.tasks import Task, prepared, sums_of
from ..words import tr

_KEPT = 4
_views = OrderedDict()
_lock = threading.Lock()


class Mismatch(InputError):
    """A worker that would make another picture."""


def stamp():
    """What must be the same on all who work on one picture: the version, and the sources of the kernels."""
    return f"{__version__}, kernels {cache_folder().name}"


def packed(view):
    """(name, bytes) of a view, to be sent."""
    data = pickle.dumps(view, protocol=pickle.HIGHEST_PROTOCOL)
    return hashlib.sha256(data).hexdigest()[:24], data


def kept(data):
    """A view's bytes, as they lie on a worker."""
    return data


def _checked(wanted):
    """Mismatch where this is another program than the one that asks."""
    if stamp() != wanted:
        raise Mismatch(
            tr("a worker has Photometra {0}, and {1} is asked for; install the same on all", stamp(), wanted)
        )


def called(function, value, wanted):
    """What a function gives of a value."""
    _checked(wanted)
    return function(value)


def done(name, data, job, wanted):
    """The sums of a job, shares (tile, begin, count) of a view by name."""
    _checked(wanted)
    view, arrays = _unpacked(name, data)
    return [sums_of(Task(view, *share), arrays) for share in job]


def _unpacked(name, data):
    with _lock:
        if name in _views:
            _views.move_to_end(name)
            return _views[name]
        view = pickle.loads(data)
        _views[name] = view, prepared(view)
        while len(_views) > _KEPT:
            _views.popitem(last=False)
        return _views[name]
