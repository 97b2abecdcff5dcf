"""Makes the typefaces that tests bring: letters of bars on a grid of sixteen lines, drawn for this and nothing else.

Run with Debian's python3-fonttools: python3 server/test/files/make_fonts.py. O and o are round, so that both kinds of
curve are there; nought to nine and the letters each differ in their bars.
"""
from pathlib import Path

from fontTools.fontBuilder import FontBuilder
from fontTools.pens.t2CharStringPen import T2CharStringPen
from fontTools.pens.ttGlyphPen import TTGlyphPen
from fontTools.ttLib import TTFont
from fontTools.ttLib.tables.TupleVariation import TupleVariation

HERE = Path(__file__).parent
UPM, BAR, WIDE, HIGH = 1000, 90, 520, 700
# Bars by letter: t top, m middle, b bottom, and the left and right ones above (l r) and below (L R).
BARS = dict(
    A="tmlrLR", B="tmblrLR", C="tblL", D="tbrRlL", E="tmblL", F="tmlL", G="tblLR", H="mlrLR", I="lL", J="brRL",
    K="mlLR", L="blL", M="tlrLR", N="tlL R", P="tmlrL", Q="tbmrR", R="tmlLR", S="tmblR", T="tlL", U="blrLR",
    V="blrL", W="bmlrLR", X="mlR", Y="mblrR", Z="tmbrL", a="mbRL", b="mblLR", c="mbL", d="mbrLR", e="tmbL",
    f="tlLm", g="tmbrR", h="mlLR", i="L", j="bR", k="lLm", l="lL", m="mLR", n="mLR", p="tmlL", q="tmrR", r="mL",
    s="mbR", t="mblL", u="bLR", v="bL", w="bLR", x="m", y="brRm", z="mb",
)
BARS.update({"0": "tblrLR", "1": "rR", "2": "tmbrL", "3": "tmbrR", "4": "mlrR", "5": "tmblR", "6": "tmblLR",
             "7": "trR", "8": "tmblrLR", "9": "tmblrR", "-": "m", "’": "l", "'": "l", ".": "", ",": ""})
PLACES = {
    "t": (0, HIGH - BAR, WIDE, HIGH), "m": (0, 305, WIDE, 395), "b": (0, 0, WIDE, BAR),
    "l": (0, 350, BAR, HIGH), "L": (0, 0, BAR, 350), "r": (WIDE - BAR, 350, WIDE, HIGH), "R": (WIDE - BAR, 0, WIDE, 350),
}


def bars(pen, names):
    for name in names.replace(" ", ""):
        x0, y0, x1, y1 = PLACES[name]
        pen.moveTo((x0 + 40, y0))
        for point in ((x0 + 40, y1), (x1 + 40, y1), (x1 + 40, y0)):
            pen.lineTo(point)
        pen.closePath()


def ring(pen, high, cubic):
    for inset, order in ((0, 1), (BAR, -1)):
        l, r, b, t = 40 + inset, 40 + WIDE - inset, inset, high - inset
        mx, my = (l + r) / 2, (b + t) / 2
        corners = [((mx, t), (r, t), (r, my)), ((r, my), (r, b), (mx, b)), ((mx, b), (l, b), (l, my)), ((l, my), (l, t), (mx, t))]
        if order < 0:
            corners = [(c, h, a) for a, h, c in reversed(corners)]
        pen.moveTo(corners[0][0])
        for a, handle, c in corners:
            if cubic:
                near = [tuple(p[i] + 0.5523 * (handle[i] - p[i]) for i in (0, 1)) for p in (a, c)]
                pen.curveTo(*near, c)
            else:
                pen.qCurveTo(handle, c)
        pen.closePath()


def build(path, cubic, name, fs_type):
    chars = [" ", "O", "o", *BARS]
    names = {c: f"u{ord(c):04X}" for c in chars}
    order = [".notdef", *names.values()]
    fb = FontBuilder(UPM, isTTF=not cubic)
    fb.setupGlyphOrder(order)
    fb.setupCharacterMap({ord(c): g for c, g in names.items()})
    glyphs = {}
    for char, glyph in [(None, ".notdef"), *names.items()]:
        pen = T2CharStringPen(600, None) if cubic else TTGlyphPen(None)
        if char in ("O", "o"):
            ring(pen, HIGH if char == "O" else 480, cubic)
        elif char not in (" ", None):
            bars(pen, BARS[char])
        glyphs[glyph] = pen.getCharString() if cubic else pen.glyph()
    metrics = {glyph: (600, 40) for glyph in order}
    if cubic:
        fb.setupCFF(name.replace(" ", ""), {"FullName": name}, glyphs, {})
    else:
        fb.setupGlyf(glyphs)
    fb.setupHorizontalMetrics(metrics)
    fb.setupHorizontalHeader(ascent=800, descent=-200)
    fb.setupNameTable({"familyName": name, "styleName": "Regular", "fullName": name, "psName": name.replace(" ", "")})
    fb.setupOS2(sTypoAscender=800, sTypoDescender=-200, usWinAscent=800, usWinDescent=200, fsType=fs_type)
    fb.setupPost()
    fb.font["head"].created = fb.font["head"].modified = 3_800_000_000
    fb.font.recalcTimestamp = False
    fb.save(path)


build(HERE / "signal.ttf", False, "Marrowby Signal", 0)
build(HERE / "signal.otf", True, "Marrowby Signal Cut", 0x0008)
build(HERE / "signal-kept.ttf", False, "Marrowby Signal Kept", 0x0002)

def build_variable(path):
    """Two letters that grow bolder along an axis; small enough to lie in a pool of buffers with others."""
    fb = FontBuilder(UPM, isTTF=True)
    fb.setupGlyphOrder([".notdef", "I", "space"])
    fb.setupCharacterMap({ord("I"): "I", ord(" "): "space"})
    pen = TTGlyphPen(None)
    bars(pen, "lL")
    fb.setupNameTable({"familyName": "Marrowby Buoy", "styleName": "Regular", "fullName": "Marrowby Buoy", "psName": "MarrowbyBuoy"})
    fb.setupFvar([("wght", 400, 400, 700, "Weight")], [])
    fb.setupGlyf({".notdef": TTGlyphPen(None).glyph(), "I": pen.glyph(), "space": TTGlyphPen(None).glyph()})
    # Both bars are wider by so much at the far end, and the letter with them; four phantom points follow the outline's.
    wider = [(0, 0), (0, 0), (80, 0), (80, 0)] * 2 + [(0, 0), (80, 0), (0, 0), (0, 0)]
    fb.setupGvar({"I": [TupleVariation({"wght": (0, 1, 1)}, wider)]})
    fb.setupHorizontalMetrics({name: (300, 40) for name in (".notdef", "I", "space")})
    fb.setupHorizontalHeader(ascent=800, descent=-200)
    fb.setupOS2(sTypoAscender=800, sTypoDescender=-200, usWinAscent=800, usWinDescent=200, fsType=0)
    fb.setupPost()
    fb.font["head"].created = fb.font["head"].modified = 3_800_000_000
    fb.font.recalcTimestamp = False
    fb.save(path)


build_variable(HERE / "buoy-variable.ttf")
packed = TTFont(HERE / "signal.otf", recalcTimestamp=False)
packed.flavor = "woff"
packed.save(HERE / "signal.woff")
