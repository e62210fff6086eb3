"""`make fuzz`: what reads files, documents and typed words, led by what each input makes it do (atheris).

usage: parser_cases.py [SECONDS]: so long for each; found is whatever is neither taken nor refused in words.
"""

import io
import json
import re
import subprocess
import sys
import tempfile
from pathlib import Path

import atheris

import orthocline

SOURCE = Path(orthocline.__file__).parent
FOLLOWED = ("formats", "wording")
"""What is watched line by line; the physics is compiled, which takes no watching."""
MODULES = {
    path: ".".join(path.relative_to(SOURCE.parent).with_suffix("").parts) for path in SOURCE.rglob("*.py")
}
BY_ITSELF = [
    name.removesuffix(".__init__")
    for path, name in MODULES.items()
    if path.relative_to(SOURCE).parts[0] not in FOLLOWED
]

with atheris.instrument_imports(include=["orthocline"], exclude=BY_ITSELF):
    from orthocline.core.calls import SCHOOLS
    from orthocline.core.chart import Chart
    from orthocline.db.tables import OWN
    from orthocline.formats.archive_file import Archive, ArchiveError
    from orthocline.formats.green_features import chart_in
    from orthocline.formats.green_files.registry import FORMATS
    from orthocline.formats.green_files.source import FileError, Said
    from orthocline.formats.phone_document import UnreadableError, sent_of
    from orthocline.formats.played_document import parse_played
    from orthocline.formats.putt_document import DocumentError, parse_question
    from orthocline.formats.putt_files import FileRefusedError, parsed_lines
    from orthocline.wording import quantities
    from orthocline.wording.calls.answers import parse_answer
    from orthocline.wording.share.programs import NOTED, PUTT
    from orthocline.wording.wording import USUAL_WORDING

SECONDS, LONGEST, MOST_MB, SLOW_S = 60, 20_000, 2_048, 2
TABLES = [kind.__tablename__ for kind in OWN]
QUANTITIES = (
    *(quantities.parse_length_m, quantities.parse_far_m, quantities.parse_near_m, quantities.parse_aside_m),
    *(quantities.parse_grain, quantities.parse_degrees, quantities.parse_off_rad, quantities.parse_late_s),
    *(quantities.parse_share, quantities.parse_seconds, quantities.parse_green_speed_ft),
)
DAMAGED = (MemoryError, ArithmeticError, ValueError, TypeError, LookupError, OSError, RuntimeError)
"""What the process that reads a file of a green takes for a damaged one."""


def putt_document(data):
    parse_question(data)


def played_putt(data):
    parse_played(data)


def putts_csv(data):
    list(parsed_lines(io.BytesIO(data), json_lines=False))


def putts_lines(data):
    list(parsed_lines(io.BytesIO(data), json_lines=True))


def from_the_phone(data):
    sent_of(data)


def archive(data):
    opened = Archive(io.BytesIO(data), TABLES)
    for table in opened.manifest.tables:
        list(opened.lines(table))


def typed(data):
    text = data.decode(errors="replace")
    for parse in QUANTITIES:
        refused(lambda parse=parse: parse(text))
    refused(lambda: quantities.parse_slope(text, 4.0))
    for school in SCHOOLS:
        refused(lambda school=school: parse_answer(school, text, 1.0, USUAL_WORDING))


def refused(parse):
    try:
        parse()
    except quantities.QuantityError:
        return


def green_file(name):
    def read(data):
        source = FORMATS[name].read(io.BytesIO(data), Said())
        if name == "chart":
            chart_in(source.features) or Chart()

    return read


REFUSALS = (DocumentError, FileRefusedError, UnreadableError, ArchiveError)
PARSERS = {
    "putt document": (putt_document, REFUSALS, [PUTT.encode()]),
    "played putt": (played_putt, REFUSALS, [NOTED.encode(), json.dumps({"putt": json.loads(PUTT)}).encode()]),
    "putts as CSV": (putts_csv, REFUSALS, [b"at,length_ft,holed,note\n2026-06-01T09:12Z,20,yes,slow\n"]),
    "putts as lines": (putts_lines, REFUSALS, [NOTED.encode()]),
    "from the phone": (from_the_phone, REFUSALS, [b'{"kind": "putt", "id": "", "at": "2026-06-01T09:12Z"}']),
    "archive": (archive, REFUSALS, []),
    "typed": (typed, REFUSALS, [b"12 ft 3 in", b"2 cups left", b"half past four", b"1.5 %", b"14'6\""]),
    **{
        f"green as {name}": (green_file(name), (FileError, *DAMAGED), [start])
        for name, start in {
            "geojson": b'{"type": "FeatureCollection", "features": []}',
            "asc": b"ncols 2\nnrows 2\nxllcorner 0\nyllcorner 0\ncellsize 1\nNODATA_value -9\n1 2\n3 4\n",
            "xyz": b"0 0 1\n1 0 2\n0 1 3\n",
            "csv": b"x,y,z\n0,0,1\n1,0,2\n",
            "chart": b'{"version": 1}',
        }.items()
    },
}


def ask(name, seconds):
    """Ask one parser, in this process; it ends with what libFuzzer says."""
    parse, refusals, begins = PARSERS[name]

    def once(data):
        try:
            parse(data)
        except refusals:
            return

    with tempfile.TemporaryDirectory() as folder:
        for number, begin in enumerate(begins):
            Path(folder, str(number)).write_bytes(begin)
        flags = [f"-max_total_time={seconds}", f"-max_len={LONGEST}", f"-rss_limit_mb={MOST_MB}"]
        flags += [f"-timeout={SLOW_S}", "-print_final_stats=1", "-verbosity=0", f"-artifact_prefix={folder}/"]
        atheris.Setup([sys.argv[0], *flags, folder], once)
        atheris.Fuzz()


def main():
    if len(sys.argv) > 2:
        ask(sys.argv[2], int(sys.argv[1]))
        return
    seconds, found = sys.argv[1] if len(sys.argv) > 1 else str(SECONDS), 0
    for name in PARSERS:
        command = [sys.executable, __file__, seconds, name]
        done = subprocess.run(command, text=True, capture_output=True, errors="replace", check=False)
        cases = re.search(r"stat::number_of_executed_units:\s*(\d+)", done.stderr)
        fine = done.returncode == 0
        found += not fine
        came = f"{int(cases[1]) if cases else 0:,} inputs, {'nothing found' if fine else 'FOUND'}"
        print(f"{name}: {came}", flush=True)
        if not fine:
            print(done.stdout[-1500:], done.stderr[-3000:])
    sys.exit(1 if found else 0)


if __name__ == "__main__":
    main()
