"""The arrays of a compiled surface: which row holds what, and how a kernel takes a value from one."""

from ..optics.jit import kernel, leaf

# Scalars.
METALNESS, TRANSMISSION, FACE_EDGE, DISPERSIVE, DIFFUSE_ROUGHNESS, OPACITY = range(6)
# The finish and its haze: slope widths across the strokes (x) and along them (y), the share of haze.
ALPHA_X, ALPHA_Y, HAZE, HAZE_X, HAZE_Y = range(6, 11)
# Whether anything is narrower along the strokes than across, and which way the strokes run.
ANISOTROPIC, ROTATION_COS, ROTATION_SIN = range(11, 14)
# What turns a lost-energy table back into a share of the light (used for choosing lobes only).
METAL_MULTIPLE_SCALE, MULTIPLE_OUT_SCALE, MULTIPLE_IN_SCALE = range(14, 17)
# The thin film: how much of the surface it covers, its thickness in nm.
FILM, FILM_THICKNESS = range(17, 19)
# TRANSMISSION is all that is let in below; of it, this share meets the clear interior, the rest the subsurface.
CLEAR_SHARE, ASYMMETRY = range(19, 21)
# Of the subsurface, the shares of its shallow and its deep matter; the rest is the middle.
SHALLOW_SHARE, DEEP_SHARE = range(21, 23)
# The coat: how much of the surface it covers, its slope widths and index, what scales its own lost lobe, and how
# bright what lies below is.
COAT, COAT_X, COAT_Y, COAT_IOR, COAT_MULTIPLE, BELOW_COAT = range(23, 29)
# The fibres on top: how much they cover, how far they stray.
SHEEN, SHEEN_SPREAD = range(29, 31)
# Whether light that goes through leaves on a reverse side; how thick a clear wall is, in mm; the share of the body's
# light that goes through (only for whether any does: the spectra have it in them).
SHEET, WALL, TRANSLUCENCY = range(31, 34)
# Whether index and tables of the dielectric are the same at every wavelength: one then stands for all.
ACHROMATIC = 34
# What turns COAT_REST into a share of the light.
COAT_REST_SCALE = 35
# By how much narrower than its reflection's the lobe is that goes through a clear wall.
THROUGH_WIDTH = 36
# As MULTIPLE_OUT_SCALE, of the lost energy that goes on to the far side.
PASSED_OUT_SCALE, PASSED_IN_SCALE, SCALARS = range(37, 40)

# Spectra. METAL_A, METAL_B: n and k, or face and edge reflectance.
METAL_A, METAL_B, METAL_MULTIPLE, METAL_TINT, ETA, BODY, BODY_MULTIPLE, ABSORPTION = range(8)
# What the products of PASSED_OUT and PASSED_IN are times, from outside and from inside.
MULTIPLE_TRANSMIT_OUT, MULTIPLE_TRANSMIT_IN = range(8, 10)
# The wavelength itself in nm, and the film's n and k.
WAVELENGTH, FILM_N, FILM_K = range(10, 13)
# Scattering coefficient of the interior; scattering and absorption of the subsurface's three matters, all per mm.
SCATTER, SUB_SCATTER, SUB_ABSORPTION = range(13, 16)
SHALLOW_SCATTER, SHALLOW_ABSORPTION, DEEP_SCATTER, DEEP_ABSORPTION = range(16, 20)
# A sheet's body seen from its reverse, and what of it goes through; the fibres' colour.
REVERSE_BODY, REVERSE_MULTIPLE, THROUGH_BODY, THROUGH_MULTIPLE, SHEEN_COLOUR = range(20, 25)
# Of what a clear wall's far face sends back, the share that comes out in the mirror lobe.
WALL_ECHO = 25
# What one passage along the normal leaves of light in the coat.
COAT_ONCE, SPECTRA = range(26, 28)

# Tables over the cosine, by wavelength: weight of the body under the interface; energy the interface's single
# scattering loses and that stays on its side, from outside and from inside (each scaled so that products need no
# division).
BODY_WEIGHT, MULTIPLE_OUT, MULTIPLE_IN = range(3)
# How each of these changes with the turn about the normal, where the finish has strokes: two rows each, times the
# cosines of twice and four times the angle from across them.
BODY_TURN, MULTIPLE_OUT_TURN, MULTIPLE_IN_TURN = range(3, 9, 2)
# Under the coat: weights of the finish's lobe, whose products count the way down and up; the light of later rounds,
# scaled like MULTIPLE_OUT; weights of the body against the bare one; what goes on below against the bare surface.
COAT_FINISH, COAT_REST, COAT_BODY, COAT_PASS = range(9, 13)
# What the fibres send back after more than one scattering, scaled like MULTIPLE_OUT, their colour in it.
SHEEN_MORE = 13
# As MULTIPLE_OUT and MULTIPLE_IN, of the lost energy that goes on to the far side, and their turns.
PASSED_OUT, PASSED_IN = range(14, 16)
PASSED_OUT_TURN, PASSED_IN_TURN = range(16, 20, 2)
# Weights, whose products give the lobe through a clear wall the light that the facets of its reflection send on.
THROUGH_WEIGHT, TABLES = range(20, 22)

# Curves over the cosine alone: lost energy of the metal and of the coat (scaled like MULTIPLE_OUT), and the share of
# the light that the coat's facets reflect.
METAL_CURVE, COAT_CURVE, COAT_REFLECTS = range(3)
# The fibres: the share they send back, and the weights of mirror lobes and of bodies below them.
SHEEN_REFLECTS, SHEEN_OVER_FINISH, SHEEN_OVER_BODY = range(3, 6)
# Turns (two rows each, as above) of the metal's and the coat's lost energy, and of what the coat passes on, as a share.
METAL_TURN, COAT_TURN, COAT_PASS_TURN = range(6, 12, 2)
# What facets reflect and let in, on the mean of all wavelengths, from outside and from inside: lobes are chosen by it.
MIRRORED_OUT, LET_IN_OUT, MIRRORED_IN, LET_IN_IN = range(12, 16)
# By how many slope widths of the coat one passage through its face widens what lies below.
COAT_BLUR, CURVES = range(16, 18)
COSINES = 64
"""Samples of a table over the cosine, 0..1 evenly."""

# The sides a surface is seen from: from outside; from its interior; from the reverse of a sheet.
FRONT, INNER, REVERSE = range(3)
# Of a facet: that light comes to it inside the coat, at the cosine it has there.
UNDER = 3

# What light can have met at a surface, as `lobes.evaluate` tells them apart.
SHEEN_LOBE, COAT_LOBE, FINISH_LOBE, BODY_LOBE, THROUGH_LOBE, REVERSE_LOBE, LOBES = range(7)


@leaf
def at_cosine(row, mu):
    """A table row taken linearly at a cosine."""
    x = min(max(mu, 0.0), 1.0) * (COSINES - 1)
    i = min(int(x), COSINES - 2)
    t = x - i
    return row[i] * (1.0 - t) + row[i + 1] * t


@leaf
def facet_chances(curves, side, mu):
    """(reflected, let in) on the mean by facets that stand towards us at a cosine: what lobes are chosen by."""
    if side == INNER:
        return at_cosine(curves[MIRRORED_IN], mu), at_cosine(curves[LET_IN_IN], mu)
    return at_cosine(curves[MIRRORED_OUT], mu), at_cosine(curves[LET_IN_OUT], mu)


@leaf
def turn_at(second, fourth, x, y, mu):
    """The two rows of a turn at a direction whose place across and along the strokes is x, y."""
    s = x * x + y * y
    if s <= 1e-12:
        return 0.0
    c = (x * x - y * y) / s
    return c * at_cosine(second, mu) + (2.0 * c * c - 1.0) * at_cosine(fourth, mu)


@leaf
def at_direction(rows, row, turn, x, y, mu, anisotropic):
    """A row of tables, and its turn where there are strokes, at a direction."""
    value = at_cosine(rows[row], mu)
    if anisotropic > 0.0:
        value = max(0.0, value + turn_at(rows[turn], rows[turn + 1], x, y, mu))
    return value


@leaf
def at_direction_of(tables, row, turn, g, x, y, mu, anisotropic):
    """As `at_direction`, of tables by wavelength, at grid sample `g`."""
    value = at_cosine(tables[row, g], mu)
    if anisotropic > 0.0:
        value = max(0.0, value + turn_at(tables[turn, g], tables[turn + 1, g], x, y, mu))
    return value


@kernel
def gather(spectra, index, fraction, props):
    """Take every spectrum at wavelengths given by grid index and fraction; writes props (SPECTRA, n)."""
    for row in range(spectra.shape[0]):
        for j in range(index.shape[0]):
            i = index[j]
            props[row, j] = spectra[row, i] * (1.0 - fraction[j]) + spectra[row, i + 1] * fraction[j]


@leaf
def gather_varying(spectra, index, fraction, props, own):
    """As `gather`, again and again into the same props: what is the same at every wavelength is taken once. own
    (SPECTRA + 1,): kept with props between calls, -1 before the first: how many rows vary, and which."""
    if own[0] < 0:
        own[0] = _varying_rows(spectra, props, own)
    for i in range(own[0]):
        row = own[i + 1]
        for j in range(index.shape[0]):
            at = index[j]
            props[row, j] = spectra[row, at] * (1.0 - fraction[j]) + spectra[row, at + 1] * fraction[j]


@kernel
def _varying_rows(spectra, props, own):
    """Write the rows that vary into own[1:], and the others' values into props; returns how many vary."""
    count = 0
    for row in range(spectra.shape[0]):
        first = spectra[row, 0]
        varies = False
        for i in range(1, spectra.shape[1]):
            varies |= spectra[row, i] != first
        if varies:
            count += 1
            own[count] = row
        for j in range(props.shape[1]):
            props[row, j] = first
    return count


@leaf
def to_lobe_frame(x, y, scalars):
    """A direction's place across and along the strokes, from its place along the shape's own way round and up."""
    c = scalars[ROTATION_COS]
    s = scalars[ROTATION_SIN]
    return s * x - c * y, c * x + s * y
