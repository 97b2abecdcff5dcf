"""Makes the nought of the interface: that of Atkinson Hyperlegible Next without its slash.

Its outer contour stays. Its two counters are the two sides of one, cut through by the slash: each keeps the quarter
that the slash leaves whole, and the other two quarters are those mirrored about the middle. Needs Debian's
python3-fonttools; run from the root of the repository.
"""
from fontTools.fontBuilder import FontBuilder
from fontTools.pens.recordingPen import DecomposingRecordingPen
from fontTools.pens.ttGlyphPen import TTGlyphPen
from fontTools.ttLib import TTFont

FILES = 'node_modules/@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-%d-normal.woff'

for weight in (400, 700):
    source = TTFont(FILES % weight)
    name = source.getBestCmap()[ord('0')]
    drawn = DecomposingRecordingPen(source.getGlyphSet())
    source.getGlyphSet()[name].draw(drawn)
    contours, now = [], None
    for op, points in drawn.value:
        if op == 'moveTo':
            now = []
            contours.append(now)
        if points:
            now.append((op, points))
    outer, left, right = contours
    # Both counters end with a whole quarter, the right one with the beginning of its slash after it.
    low, leftmost = left[-1][1], left[-2][1][-1]
    high, rightmost = right[-2][1], right[-3][1][-1]
    middle = left[0][1][0][0]
    mirrored = lambda points: [(2 * middle - x, y) for x, y in points]
    back = lambda start, points: list(reversed([start] + list(points)))
    pen = TTGlyphPen(None)
    for op, points in outer:
        getattr(pen, op)(*points)
    pen.closePath()
    bottom, top = low[-1], high[-1]
    pen.moveTo(bottom)
    pen.qCurveTo(*back(mirrored([leftmost])[0], mirrored(low))[1:])
    pen.qCurveTo(*high)
    pen.qCurveTo(*back(mirrored([rightmost])[0], mirrored(high))[1:])
    pen.qCurveTo(*low)
    pen.closePath()
    empty = TTGlyphPen(None).glyph()
    font = FontBuilder(source['head'].unitsPerEm, isTTF=True)
    font.setupGlyphOrder(['.notdef', 'zero'])
    font.setupCharacterMap({ord('0'): 'zero'})
    font.setupGlyf({'.notdef': empty, 'zero': pen.glyph()})
    font.setupHorizontalMetrics({'.notdef': (500, 0), 'zero': source['hmtx'][name]})
    tall = source['hhea']
    font.setupHorizontalHeader(ascent=tall.ascent, descent=tall.descent, lineGap=tall.lineGap)
    os2 = source['OS/2']
    font.setupOS2(
        sTypoAscender=os2.sTypoAscender,
        sTypoDescender=os2.sTypoDescender,
        sTypoLineGap=os2.sTypoLineGap,
        usWinAscent=os2.usWinAscent,
        usWinDescent=os2.usWinDescent,
        usWeightClass=weight,
    )
    font.setupNameTable({'familyName': 'Zippy Nought', 'styleName': 'Bold' if weight == 700 else 'Regular'})
    font.setupPost()
    font.font.flavor = 'woff'
    font.save(f'web/src/theme/nought/nought-{weight}.woff')
