"""Frames as a film: H.264 in MP4, as any player shows it (the optional extra `photometra[film]`)."""

from pathlib import Path

import numpy as np

from ..disk import DiskError, replacing
from ..errors import InputError
from ..words import tr

SUFFIX = ".mp4"
_QUALITY = {"crf": "16", "preset": "medium"}


def check_film(path):
    """InputError, in a sentence, where a film cannot be made, or not under this name."""
    if Path(path).suffix.lower() != SUFFIX:
        raise InputError(tr("{0}: a film's name ends in {1}", path, SUFFIX))
    if not Path(path).parent.is_dir():
        raise InputError(tr("{0}: there is no folder {1}", path, Path(path).parent))
    try:
        import av  # noqa: F401
    except ImportError:
        raise InputError(tr("a film needs the Python package av: pip install 'photometra[film]'")) from None


def write_film(path, frames, rate=24):
    """Write frames, uint8 sRGB (h, w, 3) of one size, as a film of so many a second, whole or not at all."""
    import av

    with replacing(path) as temporary:
        try:
            with av.open(str(temporary), "w", format="mp4") as container:
                stream = container.add_stream("libx264", rate=rate, options=_QUALITY)
                for i, frame in enumerate(frames):
                    frame = _even(np.asarray(frame, np.uint8)[..., :3])
                    if i == 0:
                        stream.height, stream.width = frame.shape[:2]
                        stream.pix_fmt = "yuv420p"
                    container.mux(stream.encode(av.VideoFrame.from_ndarray(frame, format="rgb24")))
                container.mux(stream.encode())
        except av.error.FFmpegError as error:
            raise DiskError(tr("{0}: the film could not be written ({1})", path, error.strerror or error)) from None


def _even(frame):
    """A frame whose sides are even, as its colours are kept at half size: a last row or column twice."""
    height, width, _ = frame.shape
    return np.ascontiguousarray(np.pad(frame, ((0, height % 2), (0, width % 2), (0, 0)), mode="edge"))
