"""The bars: what is measured, what is asked of it, and what the alternative takes, in one table."""

import os
import re
from dataclasses import dataclass
from pathlib import Path

README = Path(__file__).parents[1] / "README.md"
BEGIN, END = "<!-- what `make bench` measured -->\n", "<!-- end -->"
SET_AT_MS = 75.0
"""So long did a putt take to be shot with SciPy on the machine that the bars were set on."""
LEAST = 0.0001
TIMES, RATE = ("µs", "ms", "s"), "a second"
ROWS, PACES = [], []
"""What was measured; and before each part, how many times as slow this machine was as that one."""


@dataclass(frozen=True)
class Row:
    """A bar: at most or at least so much is asked, or nothing."""

    what: str
    found: float
    unit: str
    most: float | None
    least: float | None
    against: str
    pace: float

    @property
    def asked(self):
        """What is asked, in words."""
        if self.most is None and self.least is None:
            return ""
        if self.most is None:
            return f"at least {self.least:,g}"
        return f"at most {self.most:,g}" if self.least is None else f"{self.least:g} to {self.most:g}"

    def holds(self, pace=1.0):
        """Return whether it is as asked, times as on a machine that is so many times as fast."""
        found = self.found / (pace if self.unit in TIMES else 1.0 / pace if self.unit == RATE else 1.0)
        return (self.least is None or found >= self.least) and (self.most is None or found <= self.most)

    @property
    def line(self):
        """The row of the table."""
        missed = ""
        if not self.holds():
            missed = f" **missed**{', by the machine' if self.holds(self.pace) else ''}"
        return f"| {self.what} | {figure(self.found)} {self.unit}{missed} | {self.asked} | {self.against} |"


def begin_part(shot_ms):
    """Note how long a putt takes to be shot with SciPy, before something is measured."""
    PACES.append(shot_ms / SET_AT_MS)


def bar(what, found, unit, *, most=None, least=None, against=""):
    """Note what was measured, with what is asked and what the alternative takes; say it."""
    row = Row(what, float(found), unit, most, least, against, PACES[-1])
    ROWS.append(row)
    asked, missed = row.asked and f"[{row.asked}]", "" if row.holds() else "MISSED"
    print(" ".join(filter(None, (f"  {what}:", figure(row.found), unit, asked, against, missed))), flush=True)


def figure(value):
    """Return a figure with as many places as it bears."""
    if 0.0 < abs(value) < LEAST:
        return f"under {LEAST:g}"
    return f"{value:,.0f}" if abs(value) >= 100 else f"{value:.3g}"


def ticks():
    """Return for how long others have had the cores of this machine, and how long it has run [ticks]."""
    times = [int(one) for one in Path("/proc/stat").read_text().splitlines()[0].split()[1:9]]
    return times[7], sum(times)


def write_table(took_s, since):
    """Write the table into the README."""
    others, whole = (now - then for now, then in zip(ticks(), since, strict=True))
    here, there = sum(row.holds() for row in ROWS), sum(row.holds(row.pace) for row in ROWS)
    lines = [
        "| measured | here | asked | against |",
        "| --- | --- | --- | --- |",
        *(row.line for row in ROWS),
        "",
        f"One run of {took_s / 60:.0f} minutes on {os.cpu_count()} cores, times as they were taken there."
        f" A putt shot with SciPy took {min(PACES) * SET_AT_MS:.0f} to {max(PACES) * SET_AT_MS:.0f} ms before"
        f" its parts, and {SET_AT_MS:.0f} on the machine that the bars were set on; others had the cores for"
        f" {others / whole:.1%} of the time. {here} of {len(ROWS)} are as asked,"
        f" {there} at that machine's pace.",
    ]
    text = README.read_text(encoding="utf-8")
    table = BEGIN + "\n".join(lines) + "\n" + END
    README.write_text(
        re.sub(re.escape(BEGIN) + ".*?" + re.escape(END), lambda _: table, text, flags=re.DOTALL),
        encoding="utf-8",
    )
