"""Files of putts: lines in and out, whatever their units, and what is wrong named by line and column."""

import csv
import io
import json
from datetime import UTC, datetime

import pytest

from orthocline.core.units import FOOT_M, INCH_M
from orthocline.formats import putt_files
from orthocline.formats.putt_document import document_of
from orthocline.formats.putt_files import (
    FileRefusedError,
    csv_pieces,
    is_json_lines,
    json_pieces,
    parsed_lines,
)
from orthocline.formats.putt_line import COLUMNS, described, flattened
from tests.putts import plane_putt

AT = "2026-06-01T09:12Z"


def read(text, *, json_lines=False):
    return list(parsed_lines(io.BytesIO(text.encode()), json_lines=json_lines))


def putts(text, **how):
    found = read(text, **how)
    assert [str(one.error) for one in found if one.error] == []
    return [one.putt for one in found]


def test_columns_in_any_unit_and_order_are_read():
    text = (
        f"length_ft,at,finish_along_in,finish_right_cm,holed,seen_start\n14,{AT},18,-5,,left\n3,{AT},,,yes,\n"
    )
    missed, holed = putts(text)
    assert missed.length_m == pytest.approx(14 * FOOT_M)
    assert (missed.finish_along_m, missed.finish_right_m) == pytest.approx((18 * INCH_M, -0.05))
    assert (missed.result, missed.seen_start, missed.at) == (
        False,
        "left",
        datetime(2026, 6, 1, 9, 12, tzinfo=UTC),
    )
    assert (holed.result, holed.number) == (True, 1)


@pytest.mark.parametrize("delimiter", [";", "\t"])
def test_decimal_commas_are_read_where_they_part_nothing(delimiter):
    (putt,) = putts(delimiter.join(["at", "length_m"]) + "\r\n" + delimiter.join([AT, "3,25"]) + "\r\n")
    assert putt.length_m == 3.25


def test_a_json_line_is_as_the_documents_page_has_it():
    document = document_of(plane_putt(10, side_right=0.02))
    line = {
        "putt": document,
        "aim_right_m": -0.2,
        "finish": {"along_m": 0.4, "right_m": 0.15},
        "seen": {"start": "on", "passed": "right"},
        "method": "eye",
        "at": AT,
    }
    (putt,) = putts(json.dumps(line) + "\n\n", json_lines=True)
    assert (putt.aim_right_m, putt.finish_along_m, putt.seen_passed) == (-0.2, 0.4, "right")
    assert putt.putt == document
    told = putt.length_m, putt.green_speed_ft, putt.past_m, putt.breaks
    assert told == (pytest.approx(3.048), 10.0, pytest.approx(document["pace"]["past_m"]), "right")


def test_what_is_written_is_read_as_the_same():
    told = {
        "at": AT,
        "id": "a",
        "holed": False,
        "after_read": False,
        "seen_gate": "clear",
        "note": "=SUM(A1)",
    }
    told |= {"own_school": "hand_gauge", "own_figures": [2.5], "course": "Links, north", "green": "4\n5"}
    (by_json,) = putts("".join(json_pieces([told])), json_lines=True)
    assert by_json.model_dump(exclude_unset=True, mode="json") == {**told, "at": "2026-06-01T09:12:00Z"}
    text = "".join(csv_pieces([{name: value for name, value in told.items() if name in COLUMNS}]))
    assert next(csv.reader([text.splitlines()[0]])) == list(COLUMNS)
    (by_csv,) = putts(text)
    assert (by_csv.course, by_csv.after_read, by_csv.seen_gate) == ("Links, north", False, "clear")
    spreadsheet = "".join(csv_pieces([{"at": AT, "note": "=SUM(A1)"}]))
    assert ",=SUM" not in spreadsheet
    assert putts(spreadsheet)[0].note == "=SUM(A1)"


@pytest.mark.parametrize(
    ("columns", "cells", "column", "words"),
    [
        ("at,finish_along_ft,finish_right_ft", f"{AT},200,0", "finish_along_m", "at most 30"),
        ("at,hole", f"{AT},19", "hole", "at most 18"),
        ("at,length_m", f"{AT},far", "length_m", "“far” is no figure"),
        ("at,length_m", f"{AT},-2", "length_m", "at least 0.01"),
        ("at,length_m", f"{AT},nan", "length_m", "finite"),
        ("at,length_m", ",3", "at", "is missing"),
        ("at", "2026-06-01T09:12", "at", "no time zone"),
        ("at", "yesterday", "at", "valid datetime"),
        ("at,seen_start", f"{AT},wide", "seen_start", "must be 'left', 'on' or 'right'"),
        ("at,holed,finish_along_m,finish_right_m", f"{AT},yes,1,0", "holed", "has no finish"),
        ("at,finish_along_m,finish_right_m", f"{AT},1,", "finish_right_m", "is missing"),
        ("at", f"{AT},1,2", "", "has 3 fields"),
    ],
)
def test_a_wrong_cell_is_named_by_line_and_column(columns, cells, column, words):
    good, bad = read(f"{columns}\n{AT}\n{cells}\n")
    assert good.error is None
    assert (bad.number, bad.error.column) == (3, column)
    assert words in bad.error.message


@pytest.mark.parametrize(
    ("head", "words"),
    [
        ("at,colour", "Line 1, column colour: no column of that name is known"),
        ("at,length_yards", "Line 1, column length_yards: its unit is not known"),
        ("at,length_m,length_ft", "Line 1, column length_m: stands twice, perhaps in two units"),
        ("length_m", "Line 1, column at: is missing"),
        ("at,putt", "Line 1, column putt: no column of that name"),
        ("", "Line 1, column at: is missing"),
    ],
)
def test_a_head_that_is_not_understood_refuses_the_file(head, words):
    with pytest.raises(FileRefusedError, match=words):
        read(f"{head}\n1,2\n")


@pytest.mark.parametrize(
    ("line", "column", "words"),
    [
        (f'{{"at": "{AT}", "own": {{"school": "hand_gauge"}}}}', "own_school", "goes with its figures"),
        ("{", "", "is not valid JSON"),
        ("[1]", "", "a line is a JSON object"),
        ('{"at": NaN}', "", "NaN is not a number"),
        (f'{{"at": "{AT}", "finish": 3}}', "finish", "must be an object"),
        (f'{{"at": "{AT}", "finish": {{"along_m": 1, "aside": 2}}}}', "finish_aside", "no column"),
        (
            f'{{"at": "{AT}", "finish": {{"along_m": 1}}, "finish_along_m": 2}}',
            "finish_along_m",
            "stands twice",
        ),
        (f'{{"at": "{AT}", "putt": {{"surface": {{}}}}}}', "putt/surface/kind", "missing"),
    ],
)
def test_a_wrong_json_line_is_named(line, column, words):
    (bad,) = read(f"{line}\n", json_lines=True)
    assert (bad.number, bad.error.column) == (1, column)
    assert words in bad.error.message


def test_no_text_too_many_lines_and_too_long_ones_are_refused(monkeypatch):
    with pytest.raises(FileRefusedError, match="not text in UTF-8"):
        list(parsed_lines(io.BytesIO(b"at\n\xff\xfe\n"), json_lines=False))
    monkeypatch.setattr(putt_files, "MOST_LINES", 2)
    with pytest.raises(FileRefusedError, match="at most 2 putts"):
        read(f"at\n{AT}\n{AT}\n{AT}\n")
    monkeypatch.setattr(putt_files, "LONGEST_LINE", 20)
    with pytest.raises(FileRefusedError, match="Line 1 is longer"):
        read('{"note": "far too long for that"}\n', json_lines=True)


def test_kinds_of_files_are_told_apart_and_every_column_is_described():
    assert is_json_lines("putts.jsonl", b"")
    assert is_json_lines("putts.txt", b' {"at"')
    assert not is_json_lines("putts.csv", b"at,")
    assert all(words for _, words in described())
    assert flattened({"seen": {"gate": "clear"}, "note": "a"}) == {"seen_gate": "clear", "note": "a"}
