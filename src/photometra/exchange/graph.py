"""What a MaterialX graph gives at an input: a number, a colour, or a picture of them, worked out node by node.

Constants and pictures go the same way, as arrays; what no node here knows is told, and gives nothing.
"""

from dataclasses import dataclass, field
from functools import cache
from pathlib import Path

import numpy as np

from ..colour import decode_srgb
from ..errors import InputError
from ..pictures import header_of, read_native, read_picture
from ..surface.inputs import picture_from
from ..words import tr

ALPHA = 3
"""The channel that says how much of a picture is there."""
_DEEPEST = 100
_MOST_SIDE = 4096
_BEING_WORKED_OUT = object()
_MOST_SEARCHED = 5000
_LUMINANCE = np.array([0.2126, 0.7152, 0.0722])
_TO_REC709 = {
    "acescg": np.array([[1.70505, -0.62179, -0.08326], [-0.13026, 1.14080, -0.01055], [-0.02400, -0.12897, 1.15297]]),
    "lin_displayp3": np.array([[1.22494, -0.22494, 0.0], [-0.04206, 1.04206, 0.0], [-0.01964, -0.07864, 1.09828]]),
}  # fmt: skip
"""From the linear spaces of the standard to Rec.709 (SMPTE ST 2065 and ICC primaries, D60 adapted to D65)."""
_ALIKE = {"lin_ap1": "acescg", "lin_rec709": "", "srgb_displayp3": "lin_displayp3", "none": "", "raw": ""}
_ENCODED = {"srgb_texture": None, "srgb_displayp3": None, "g22_rec709": 2.2, "g18_rec709": 1.8, "rec709_display": 2.4}


@dataclass(frozen=True, eq=False)
class Value:
    """What an input has: data (c,) of a constant, (h, w, c) of a picture. path: the file that it is, where nothing was
    done to it."""

    data: np.ndarray
    path: Path | None = None
    space: str = ""

    @property
    def varies(self):
        return self.data.ndim == 3

    @property
    def mean(self):
        return self.data.reshape(-1, self.data.shape[-1]).mean(axis=0)

    @property
    def middle(self):
        """Half-way along its range, as a surface stands for what varies."""
        flat = self.data.reshape(-1, self.data.shape[-1])
        return 0.5 * (flat.min(axis=0) + flat.max(axis=0))


@cache
def library():
    """MaterialX's own library: what the standard defines, read once."""
    import MaterialX as mx

    found = mx.createDocument()
    mx.loadLibraries(mx.getDefaultDataLibraryFolders(), mx.getDefaultDataSearchPath(), found)
    return found


def constant(*numbers):
    return Value(np.array(numbers, float))


def normals_of(data, scale=1.0):
    """Vectors (..., 3) of a picture of normals, 0..1 for -1..1; scale: of x and y, one or two numbers."""
    across, up = (float(v) for v in np.resize(scale, 2))
    return (2.0 * data[..., :3] - 1.0) * (across, up, 1.0)


def linear(data, space):
    """Colours (..., 3) of a named colour space in linear Rec.709."""
    if space in _ENCODED and data.shape[-1] >= 3:
        gamma = _ENCODED[space]
        data = decode_srgb(data) if gamma is None else np.maximum(data, 0.0) ** gamma
    matrix = _TO_REC709.get(_ALIKE.get(space, space))
    return data if matrix is None or data.shape[-1] != 3 else data @ matrix.T


@dataclass
class Graph:
    """Works out a document's inputs. notes: a sentence for each thing that was not understood."""

    folder: Path
    notes: list[str] = field(default_factory=list)
    _kept: dict = field(default_factory=dict)

    def note(self, sentence):
        if sentence not in self.notes:
            self.notes.append(sentence)

    def given(self, node, name, outer=None, depth=0) -> Value | None:
        """What a node has at an input where its document says anything; None where it does not, or is not understood.

        outer: {name: Value} of what stands around a graph, for inputs that point there.
        """
        port = node.getInput(name)
        if port is None:
            return None
        if port.getInterfaceName():
            found = (outer or {}).get(port.getInterfaceName())
            if found is not None:
                return found
            around = port.getInterfaceInput()
            if around is not None and around.getParent() != node:
                return self.given(around.getParent(), around.getName(), outer, depth + 1)
        end = port.getConnectedOutput()
        if end is not None:
            inner = end.getConnectedNode()
            return self.output(inner, end.getOutputString() or port.getOutputString(), outer, depth) if inner else None
        inner = port.getConnectedNode()
        if inner is not None:
            return self.output(inner, port.getOutputString(), outer, depth)
        return parsed(port)

    def at(self, node, name, outer=None, depth=0) -> Value | None:
        """As `given`, or the default that the standard states."""
        found = self.given(node, name, outer, depth)
        port = node.getInput(name)
        if found is not None or (port is not None and port.getConnectedNode() is not None):
            # What a node of the graph says and nobody here understands is not the default.
            return found
        definition = node.getNodeDef()
        port = definition.getActiveInput(name) if definition is not None else None
        return parsed(port) if port is not None and port.getValueString() else None

    def output(self, node, output, outer=None, depth=0) -> Value | None:
        if depth > _DEEPEST:
            self.note(tr("{0}: its graph is too deep; not carried", node.getName()))
            return None
        # What stands around is kept, too: another one could else come to have its number.
        self._kept[id(outer)] = outer
        key = (node.getNamePath(), output, id(outer))
        if key not in self._kept:
            self._kept[key] = _BEING_WORKED_OUT
            self._kept[key] = self._worked(node, output, outer, depth + 1)
        if self._kept[key] is _BEING_WORKED_OUT:
            self.note(tr("{0}: its graph goes round in a circle; not carried", node.getName()))
            return None
        return self._kept[key]

    def _worked(self, node, output, outer, depth):
        category = node.getCategory()
        work = _NODES.get(category)
        if category in ("image", "tiledimage", "UsdUVTexture", "gltf_image", "gltf_colorimage"):
            return self._image(node, output, outer, depth)
        if work is None:
            inner = node.getImplementation()
            if inner is not None and hasattr(inner, "getNodes"):
                return self._compound(node, inner, outer, depth)
            self.note(tr("{0}: a node '{1}' is not understood; not carried", node.getName(), category))
            return None
        names, does = work
        inputs = [self.at(node, n, outer, depth) for n in names]
        if any(v is None for v in inputs):
            return None
        if len(inputs) == 1 and category in ("dot", "convert") and inputs[0].data.shape[-1] == _width(node):
            return inputs[0]
        arrays = _alike([v.data for v in inputs])
        with np.errstate(all="ignore"):
            found = does(node, output, *arrays)
        return Value(np.asarray(np.nan_to_num(found), float))

    def _compound(self, node, inner, outer, depth):
        """What a node gives that the standard defines as a graph of others; one output only."""
        around = {p.getName(): self.at(node, p.getName(), outer, depth) for p in node.getNodeDef().getActiveInputs()}
        end = inner.getOutputs()[0].getConnectedNode()
        return self.output(end, "", around, depth) if end is not None else None

    def _image(self, node, output, outer, depth):
        port = node.getInput("file")
        if port is not None and port.getInterfaceName() and port.getInterfaceInput() is not None:
            port = port.getInterfaceInput()
        name = port.getResolvedValueString() if port is not None else ""
        path = self.found(name)
        if path is None:
            self.note(tr("the picture '{0}' is not there; put it beside the document", name[:80]))
            return None
        try:
            data, space = self._read(path, port.getActiveColorSpace() or "")
        except InputError as error:
            self.note(str(error))
            return None
        tiling = self._tiling(node, outer, depth)
        channel = {"r": 0, "g": 1, "b": 2, "outr": 0, "outg": 1, "outb": 2}.get(output)
        ends = [self.at(node, k, outer, depth) for k in ("scale", "bias")] if "UV" in node.getCategory() else []
        is_scaled = any(v is not None and np.any(v.data != k) for v, k in zip(ends, (1.0, 0.0), strict=False))
        if is_scaled:
            scale, bias = (np.resize(v.data, 4)[: data.shape[-1]] if v is not None else k
                           for v, k in zip(ends, (1.0, 0.0), strict=True))  # fmt: skip
            data = data * scale + bias
        is_untouched = tiling == (1, 1) and channel is None and not is_scaled
        if tiling != (1, 1):
            data = np.tile(data, (tiling[1], tiling[0], 1))
        width = _width(node)
        if channel is not None:
            return Value(data[..., channel : channel + 1])
        if width == 1:
            # One number of a picture in three alike channels is any of them.
            return Value(data[..., :1], path if is_untouched else None, space)
        return Value(data[..., :3], path if is_untouched else None, space)

    def picture_at(self, name, space="", channel=None) -> Value | None:
        """The picture of a file that a document names, as a value, or one channel of it; None, told, where it cannot be
        had."""
        path = self.found(name)
        if path is None:
            self.note(tr("the picture '{0}' is not there; put it beside the document", name[:80]))
            return None
        try:
            data, space = self._read(path, space)
        except InputError as error:
            self.note(str(error))
            return None
        if channel == ALPHA:
            whole = read_native(path)
            most = np.iinfo(whole.dtype).max if whole.dtype.kind == "u" else 1.0
            return Value(whole[..., -1:] / most) if whole.shape[-1] in (2, 4) else constant(1.0)
        if channel is not None:
            return Value(data[..., min(channel, data.shape[-1] - 1)][..., None])
        return Value(np.repeat(data[..., :1], 3, axis=-1) if data.shape[-1] < 3 else data[..., :3], path, space)

    def _read(self, path, space):
        key = (str(path), space)
        if key not in self._kept:
            depth, channels = header_of(path)
            data = read_picture(path)
            if max(data.shape[:2]) > _MOST_SIDE:
                raise InputError(
                    tr("{0}: a picture of {1} × {2} is too large to take in", path, data.shape[1], data.shape[0])
                )
            known = space in _ENCODED or _ALIKE.get(space, space) in ("", *_TO_REC709)
            if not known:
                self.note(tr("the colour space '{0}' of {1} is not known; taken as linear Rec.709", space, path.name))
            self._kept[key] = linear(np.asarray(data, float), space), space if depth == 8 and channels >= 3 else ""
        return self._kept[key]

    def _tiling(self, node, outer, depth):
        """How often a picture is repeated, across and up; whole numbers only."""
        found = self.at(node, "uvtiling", outer, depth) if node.getCategory() == "tiledimage" else None
        place = node.getInput("texcoord")
        inner = place.getConnectedNode() if place is not None else None
        if inner is not None and inner.getCategory() == "place2d":
            scale = self.at(inner, "scale", outer, depth)
            found = constant(*(1.0 / np.maximum(scale.data, 1e-6))) if scale is not None else None
            turned = self.at(inner, "rotate", outer, depth)
            if turned is not None and np.any(turned.data):
                self.note(tr("{0}: the picture is turned by its coordinates; carried upright", node.getName()))
        if found is None:
            return 1, 1
        whole = tuple(int(round(float(v))) for v in np.resize(found.data, 2))
        if any(abs(a - b) > 1e-3 for a, b in zip(whole, np.resize(found.data, 2), strict=True)) or not all(
            1 <= v <= 16 for v in whole
        ):
            self.note(tr("{0}: repeated by other than 1 to 16 whole times; carried once", node.getName()))
            return 1, 1
        return whole

    def found(self, name):
        """The file that a document names: beside it or below its parent, or one of that name wherever there."""
        if not name or "://" in name:
            return None
        root = self.folder.resolve().parent
        path = (self.folder / name).resolve()
        if path.is_relative_to(root) and path.is_file():
            return path
        for looked, other in enumerate(self.folder.rglob("*")):
            if looked > _MOST_SEARCHED:
                return None
            if other.name == Path(name).name and other.is_file():
                return other
        return None

    def picture(self, value: Value, p):
        """The source of a map for a value that is a file as it stands, or None where it must be baked."""
        if value.path is None or value.space not in ("", "srgb_texture"):
            return None
        return picture_from(value.path, p)


def _width(node):
    return {"float": 1, "integer": 1, "boolean": 1, "color3": 3, "vector3": 3, "color4": 4, "vector2": 2}.get(
        node.getType(), 3
    )


def parsed(port):
    """The constant at a port; a colour in linear Rec.709."""
    text = port.getValueString().strip()
    if port.getType() == "boolean":
        return constant(float(text == "true"))
    try:
        numbers = np.array([float(v) for v in text.split(",")])
    except ValueError:
        return None
    if not np.isfinite(numbers).all():
        return None
    if port.getType() == "color3":
        numbers = linear(numbers, port.getActiveColorSpace() or "")
    return Value(numbers)


def _alike(arrays):
    """Arrays that can be worked with together: pictures of one size, by the nearest pixel of the smaller ones."""
    pictures = [a.shape[:2] for a in arrays if a.ndim == 3]
    if len(set(pictures)) > 1:
        high, wide = max(s[0] for s in pictures), max(s[1] for s in pictures)
        out = []
        for a in arrays:
            if a.ndim == 3 and a.shape[:2] != (high, wide):
                rows, columns = np.arange(high) * a.shape[0] // high, np.arange(wide) * a.shape[1] // wide
                a = a[rows][:, columns]
            out.append(a)
        return out
    return arrays


def _grey(a):
    return (a[..., :3] @ _LUMINANCE)[..., None] if a.shape[-1] >= 3 else a[..., :1]


def _converted(node, _output, a):
    width = _width(node)
    if a.shape[-1] == width:
        return a
    return np.repeat(a[..., :1], width, axis=-1) if a.shape[-1] == 1 else a[..., :width]


def _extracted(node, _output, a, index):
    return a[..., int(index.flat[0]) : int(index.flat[0]) + 1]


def _separated(_node, output, a):
    channel = {"outr": 0, "outx": 0, "outg": 1, "outy": 1, "outb": 2, "outz": 2}.get(output, 0)
    return a[..., channel : channel + 1]


def _ranged(_node, _output, a, low, high, gamma, out_low, out_high):
    t = np.sign((a - low) / (high - low)) * np.abs((a - low) / (high - low)) ** (1.0 / gamma)
    return out_low + t * (out_high - out_low)


_NODES = {
    "constant": (("value",), lambda n, o, a: a),
    "dot": (("in",), lambda n, o, a: a),
    "normalmap": (("in", "scale"), lambda n, o, a, scale: normals_of(a, Value(scale).mean)),
    "convert": (("in",), _converted),
    "multiply": (("in1", "in2"), lambda n, o, a, b: a * b),
    "add": (("in1", "in2"), lambda n, o, a, b: a + b),
    "subtract": (("in1", "in2"), lambda n, o, a, b: a - b),
    "divide": (("in1", "in2"), lambda n, o, a, b: a / b),
    "power": (("in1", "in2"), lambda n, o, a, b: np.sign(a) * np.abs(a) ** b),
    "safepower": (("in1", "in2"), lambda n, o, a, b: np.sign(a) * np.abs(a) ** b),
    "min": (("in1", "in2"), lambda n, o, a, b: np.minimum(a, b)),
    "max": (("in1", "in2"), lambda n, o, a, b: np.maximum(a, b)),
    "mix": (("bg", "fg", "mix"), lambda n, o, bg, fg, t: bg + (fg - bg) * t),
    "invert": (("in", "amount"), lambda n, o, a, amount: amount - a),
    "clamp": (("in", "low", "high"), lambda n, o, a, low, high: np.clip(a, low, high)),
    "absval": (("in",), lambda n, o, a: np.abs(a)),
    "sqrt": (("in",), lambda n, o, a: np.sqrt(np.maximum(a, 0.0))),
    "ln": (("in",), lambda n, o, a: np.log(np.maximum(a, 1e-30))),
    "sign": (("in",), lambda n, o, a: np.sign(a)),
    "roughness_anisotropy": (("roughness", "anisotropy"), lambda n, o, r, a: _slope_widths(r, a)),
    "artistic_ior": (("reflectivity", "edge_color"), lambda n, o, r, edge: _gulbrandsen(r, edge)[o == "extinction"]),
    "switch": ((*(f"in{i}" for i in range(1, 11)), "which"), lambda n, o, *a: a[int(np.clip(a[10].flat[0], 0, 9))]),
    "luminance": (("in",), lambda n, o, a: _grey(a) * np.ones(_width(n))),
    "saturate": (("in", "amount"), lambda n, o, a, t: _grey(a) + (a - _grey(a)) * t),
    "contrast": (("in", "amount", "pivot"), lambda n, o, a, t, pivot: (a - pivot) * t + pivot),
    "dotproduct": (("in1", "in2"), lambda n, o, a, b: (a * b).sum(axis=-1, keepdims=True)),
    "extract": (("in", "index"), _extracted),
    "separate2": (("in",), _separated),
    "separate3": (("in",), _separated),
    "separate4": (("in",), _separated),
    "combine2": (("in1", "in2"), lambda n, o, *parts: _combined(parts)),
    "combine3": (("in1", "in2", "in3"), lambda n, o, *parts: _combined(parts)),
    "remap": (("in", "inlow", "inhigh", "outlow", "outhigh"),
              lambda n, o, a, low, high, to, up: _ranged(n, o, a, low, high, 1.0, to, up)),
    "range": (("in", "inlow", "inhigh", "gamma", "outlow", "outhigh"), _ranged),
    "ifgreater": (("value1", "value2", "in1", "in2"), lambda n, o, a, b, yes, no: np.where(a > b, yes, no)),
    "ifgreatereq": (("value1", "value2", "in1", "in2"), lambda n, o, a, b, yes, no: np.where(a >= b, yes, no)),
    "ifequal": (("value1", "value2", "in1", "in2"), lambda n, o, a, b, yes, no: np.where(a == b, yes, no)),
}  # fmt: skip


def _combined(parts):
    shape = np.broadcast_shapes(*(p.shape[:-1] for p in parts))
    return np.concatenate([np.broadcast_to(p[..., :1], (*shape, 1)) for p in parts], axis=-1)


def _slope_widths(roughness, anisotropy):
    aspect = np.sqrt(1.0 - np.clip(anisotropy, 0.0, 0.98))
    return _combined((np.minimum(roughness**2 / aspect, 1.0), roughness**2 * aspect))


def _gulbrandsen(facing, edge):
    """(n, k) of a reflectance at normal incidence and a bias to the edge (Gulbrandsen 2014)."""
    r = np.clip(facing, 0.0, 0.99)
    least, most = (1.0 - r) / (1.0 + r), (1.0 + np.sqrt(r)) / (1.0 - np.sqrt(r))
    n = most + (least - most) * edge
    return n, np.sqrt(np.maximum((r * (n + 1.0) ** 2 - (n - 1.0) ** 2) / (1.0 - r), 0.0))
