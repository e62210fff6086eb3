"""Measure the letters of the shipped type, so that drawings know how wide their words are.

usage: scripts/letter_widths.py [--check]
"""

import json
import sys
from pathlib import Path

from fontTools.ttLib import TTFont
from fontTools.varLib.instancer import instantiateVariableFont

ROOT = Path(__file__).parents[1]
TYPE = ROOT / "src/orthocline/web/static/fonts/text.woff2"
TABLE = ROOT / "src/orthocline/drawing/letter_widths.json"
WEIGHTS = (400, 700)
FIGURES = "0123456789"


def widths(weight: int) -> dict[str, float]:
    """Return the width of each letter [em] at a weight; figures are those of one width."""
    font = instantiateVariableFont(TTFont(TYPE), {"wght": weight})
    em, advances, letters = font["head"].unitsPerEm, font["hmtx"], font.getBestCmap()
    even = _even_figures(font)
    found = {
        chr(code): round(advances[even.get(glyph, glyph)][0] / em, 4)
        for code, glyph in sorted(letters.items())
        if chr(code).isprintable()
    }
    assert len({found[figure] for figure in FIGURES}) == 1, "pages ask for figures of one width"
    return found


def _even_figures(font: TTFont) -> dict[str, str]:
    """Return the glyphs that stand for others where figures of one width are asked for."""
    if "GSUB" not in font:
        return {}
    table = font["GSUB"].table
    lookups = {
        index
        for record in table.FeatureList.FeatureRecord
        if record.FeatureTag == "tnum"
        for index in record.Feature.LookupListIndex
    }
    found: dict[str, str] = {}
    for index in lookups:
        for part in table.LookupList.Lookup[index].SubTable:
            found |= getattr(part, "mapping", {})
    return found


def main() -> None:
    """Write the table, or compare it with the type."""
    table = (
        json.dumps({str(weight): widths(weight) for weight in WEIGHTS}, ensure_ascii=False, indent=0) + "\n"
    )
    if "--check" not in sys.argv:
        TABLE.write_text(table, encoding="utf-8")
    elif TABLE.read_text(encoding="utf-8") != table:
        sys.exit("letter widths: not what the shipped type says; run `make assets`")


if __name__ == "__main__":
    main()
