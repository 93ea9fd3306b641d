"""What the choices that files keep by a word are called in the window's language."""

from ..words import tr

_CALLED = {
    # Maps: channels of a picture, what lies beyond a tile, how layers are combined.
    "luminance": tr("luminance"), "red": tr("red"), "green": tr("green"), "blue": tr("blue"), "alpha": tr("alpha"),
    "colour": tr("colour"), "normal": tr("normals"), "data": tr("plain numbers"), "tile": tr("tile"),
    "mirror": tr("mirrored"), "hold": tr("edge held"), "multiply": tr("multiply"), "add": tr("add"), "mix": tr("mix"),
    "lighter": tr("lighter"), "darker": tr("darker"), "mask": tr("mask of the next"),
    # The booth: shapes, environments, views.
    "ball": tr("ball"), "puck": tr("puck"), "disc": tr("disc"), "steps": tr("step block"), "wedge": tr("wedge"),
    "vessel": tr("vessel"), "filled": tr("liquid in vessel"), "cloth": tr("cloth"), "lantern-room": tr("lantern room"),
    "lamp-row": tr("lamp row"), "overcast": tr("overcast"), "window": tr("window"), "uniform": tr("uniform"),
    "front": tr("front"), "level": tr("level with it"), "above": tr("above"), "side": tr("side"),
    "behind": tr("behind"), "close": tr("close"), "linear": tr("linear"), "profile": tr("profile"),
    # Materials, layers of a picture, pins.
    "metal": tr("metal"), "opaque": tr("opaque"), "clear": tr("clear"), "translucent": tr("translucent"),
    "sheet": tr("sheet"), "sheen": tr("sheen"), "coat": tr("coat"), "film": tr("film"), "finish": tr("finish"),
    "body": tr("body"), "interior": tr("interior"), "transmission": tr("transmission"), "reverse": tr("back side"),
    "subsurface": tr("subsurface"), "stage": tr("stage"), "point": tr("Point"), "patch": tr("Patch"),
    "line": tr("Line"), "photograph": tr("photograph"),
}  # fmt: skip


def called(word):
    """What a choice is called; one that has no other name, by its own."""
    return _CALLED.get(word, word)
