"""Draw the icons of the installed app from the mark: PNG, for phones that take no SVG."""

from pathlib import Path

import cairosvg

STATIC = Path(__file__).parents[1] / "src/orthocline/web/static"
SIDE = 26
PAPER = "#f6f1e7"
ICONS = {"192": (192, 0.78), "512": (512, 0.78), "whole": (512, 0.56)}
"""How many dots wide each is, and which share of it the mark is: a phone cuts the whole one to its shape."""


def main() -> None:
    """Write them."""
    mark = (STATIC / "icon.svg").read_text(encoding="utf-8").strip().partition(">")[2].removesuffix("</svg>")
    for name, (dots, share) in ICONS.items():
        inset = 0.5 * SIDE * (1.0 - share)
        drawing = (
            f'<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 {SIDE} {SIDE}" fill="none"'
            f' stroke-linecap="round"><path d="M0 0h{SIDE}v{SIDE}H0z" fill="{PAPER}"/>'
            f'<g transform="translate({inset} {inset}) scale({share})">{mark}</g></svg>'
        )
        to = STATIC / "icons" / f"{name}.png"
        to.parent.mkdir(exist_ok=True)
        cairosvg.svg2png(drawing.encode(), write_to=str(to), output_width=dots, output_height=dots)


if __name__ == "__main__":
    main()
