"""Eight boxes, or four triangles, against one ray at once: explicit vectors of the machine.

A plain loop over them is not turned into vectors by the compiler, as each of its steps ends in a choice. What the
machine has no vectors of this width for, LLVM takes apart.
"""

from ..optics.jit import intrinsic

BOXES, TRIANGLES = 8, 4
NODE_FLOATS, GROUP_FLOATS = 32, 40
EDGES, CODES = 8, 20
"""Where, in a node, the edges of its boxes begin, and what each box holds; both counted in floats."""
NUMBERS = 36
"""Where, in a group, the triangles' numbers begin."""
_FAST = ("contract", "nsz")
_SLACK = 1e-9
"""How far beyond an edge a triangle is still met, so that rays do not slip between two."""


def _splat(builder, value, width):
    """A vector of one number throughout."""
    from llvmlite import ir

    whole = ir.VectorType(value.type, width)
    first = builder.insert_element(ir.Constant(whole, ir.Undefined), value, ir.Constant(ir.IntType(32), 0))
    return builder.shuffle_vector(
        first, ir.Constant(whole, ir.Undefined), ir.Constant(ir.VectorType(ir.IntType(32), width), [0] * width)
    )


def _chosen(builder, a, b, sign):
    """The smaller ('<') or larger ('>') of two vectors, lane by lane."""
    return builder.select(builder.fcmp_ordered(sign, a, b), a, b)


def _at(context, builder, array, value, number, floats):
    """Where entry `number` of a 2-d array of singles, `floats` to an entry, begins."""
    from llvmlite import ir

    base = context.make_array(array)(context, builder, value).data
    return builder.gep(base, [builder.mul(number, ir.Constant(number.type, floats))])


@intrinsic
def boxes_met(_context, nodes, node, back_x, back_y, back_z, ix, iy, iz, rx, ry, rz, start, end, enters):
    """Which of a node's eight boxes a ray meets between `start` and `end`: bits; where it enters them into `enters`.

    nodes: float32 (n, NODE_FLOATS): low corner of all, its steps along x, y, z, and from `EDGES` on as bytes, in those
    steps, low x, y, z and high x, y, z of eight boxes; back_x, y, z: 3 where the ray runs down that axis, else 0;
    ix, iy, iz: the inverse of its direction; rx, ry, rz: its origin times that; all float32.
    """
    from llvmlite import ir
    from numba.core import types

    def generate(context, builder, signature, arguments):
        whole = ir.VectorType(ir.FloatType(), BOXES)
        bytes_ = ir.VectorType(ir.IntType(8), BOXES)
        first = _at(context, builder, nodes, arguments[0], arguments[1], NODE_FLOATS)
        index = ir.IntType(64)
        edges = builder.bitcast(builder.gep(first, [ir.Constant(index, EDGES)]), bytes_.as_pointer())
        axes = []
        for axis in range(3):
            back, inverse, before = arguments[2 + axis], arguments[5 + axis], arguments[8 + axis]
            low, step = (builder.load(builder.gep(first, [ir.Constant(index, k + axis)])) for k in (0, 3))
            step = _splat(builder, builder.fmul(step, inverse, flags=_FAST), BOXES)
            at = _splat(builder, builder.fsub(builder.fmul(low, inverse, flags=_FAST), before, flags=_FAST), BOXES)
            sides = []
            for row in (builder.add(back, ir.Constant(index, axis)), builder.sub(ir.Constant(index, 3 + axis), back)):
                edge = builder.load(builder.gep(edges, [row]), align=8)
                edge = builder.sitofp(builder.zext(edge, ir.VectorType(ir.IntType(32), BOXES)), whole)
                sides.append(builder.fadd(builder.fmul(edge, step, flags=_FAST), at, flags=_FAST))
            axes.append(sides)
        enter, leave = _splat(builder, arguments[11], BOXES), _splat(builder, arguments[12], BOXES)
        for near, far in axes:
            enter = _chosen(builder, near, enter, ">")
            leave = _chosen(builder, far, leave, "<")
        place = context.make_array(enters)(context, builder, arguments[13]).data
        builder.store(enter, builder.bitcast(place, whole.as_pointer()), align=4)
        met = builder.bitcast(builder.fcmp_ordered("<=", enter, leave), ir.IntType(BOXES))
        return builder.zext(met, index)

    number, single = types.int64, types.float32
    return types.int64(nodes, number, number, number, number, *[single] * 8, enters), generate


@intrinsic
def lowest(_context, bits):
    """The number of the lowest bit that is set."""
    from llvmlite import ir
    from numba.core import types

    def generate(_context, builder, _signature, arguments):
        return builder.cttz(arguments[0], ir.Constant(ir.IntType(1), 1))

    return types.int64(types.int64), generate


@intrinsic
def triangles_met(_context, groups, group, ox, oy, oz, dx, dy, dz, near, far):
    """(lane, distance, u, v) of the nearest of a group's four triangles between `near` and `far`; lane -1 for none.

    groups: float32 (n, GROUP_FLOATS): x, y, z of a corner and of the two edges from it, each of four triangles, and
    their numbers; places without a triangle have edges of 0. The test of Möller & Trumbore (1997), in double.
    """
    from llvmlite import ir
    from numba.core import cgutils, types

    def generate(context, builder, signature, arguments):
        first = _at(context, builder, groups, arguments[0], arguments[1], GROUP_FLOATS)
        double, four = (ir.VectorType(kind, TRIANGLES) for kind in (ir.DoubleType(), ir.FloatType()))
        rows = builder.bitcast(first, four.as_pointer())

        def row(k):
            return builder.fpext(builder.load(builder.gep(rows, [ir.Constant(ir.IntType(64), k)]), align=4), double)

        corner, a, b = ([row(3 * k + c) for c in range(3)] for k in range(3))
        o, d = ([_splat(builder, arguments[k + c], TRIANGLES) for c in range(3)] for k in (2, 5))

        def times(x, y):
            return builder.fmul(x, y, flags=_FAST)

        def across(x, y):
            return [
                builder.fsub(times(x[i], y[j]), times(x[j], y[i]), flags=_FAST) for i, j in ((1, 2), (2, 0), (0, 1))
            ]

        def along(x, y):
            first = builder.fadd(times(x[0], y[0]), times(x[1], y[1]), flags=_FAST)
            return builder.fadd(first, times(x[2], y[2]), flags=_FAST)

        def constant(value):
            return ir.Constant(double, [value] * TRIANGLES)

        p = across(d, b)
        inverse = builder.fdiv(constant(1.0), along(a, p))
        s = [builder.fsub(x, y, flags=_FAST) for x, y in zip(o, corner, strict=True)]
        u = times(along(s, p), inverse)
        q = across(s, a)
        v = times(along(d, q), inverse)
        t = times(along(b, q), inverse)
        # Without an area the inverse is infinite and these no numbers: every comparison fails.
        met = builder.fcmp_ordered(">", t, _splat(builder, arguments[8], TRIANGLES))
        for good in (
            builder.fcmp_ordered("<", t, _splat(builder, arguments[9], TRIANGLES)),
            builder.fcmp_ordered(">=", u, constant(-_SLACK)), builder.fcmp_ordered(">=", v, constant(-_SLACK)),
            builder.fcmp_ordered("<=", builder.fadd(u, v), constant(1.0 + _SLACK)),
        ):  # fmt: skip
            met = builder.and_(met, good)
        found = [
            cgutils.alloca_once_value(builder, value)
            for value in (ir.Constant(ir.IntType(64), -1), arguments[9], *[ir.Constant(ir.DoubleType(), 0.0)] * 2)
        ]
        bits = builder.bitcast(met, ir.IntType(TRIANGLES))
        with builder.if_then(builder.icmp_unsigned("!=", bits, ir.Constant(bits.type, 0)), likely=False):
            best = [builder.load(place) for place in found]
            for lane in range(TRIANGLES):
                at = ir.Constant(ir.IntType(32), lane)
                own = [ir.Constant(ir.IntType(64), lane), *(builder.extract_element(x, at) for x in (t, u, v))]
                nearer = builder.and_(
                    builder.extract_element(met, at), builder.fcmp_ordered("<", own[1], best[1])
                )  # fmt: skip
                best = [builder.select(nearer, x, y) for x, y in zip(own, best, strict=True)]
            for place, value in zip(found, best, strict=True):
                builder.store(value, place)
        return context.make_tuple(builder, signature.return_type, [builder.load(place) for place in found])

    real = types.float64
    returned = types.Tuple((types.int64, real, real, real))
    return returned(groups, types.int64, *[real] * 8), generate
