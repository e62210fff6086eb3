"""`orthocline green`: a file of a green into a chart, and a chart into a file."""

import math
from pathlib import Path

import click

from orthocline.core.chart import Chart, Wanted
from orthocline.formats.green_features import chart_in
from orthocline.formats.green_files.out import USUAL_SPACING_M
from orthocline.formats.green_files.registry import BEGINS, FORMATS, format_of, read_format
from orthocline.formats.green_files.source import DEGREES, UNITS, FileError, Said
from orthocline.services.ground.green_files import Understood, file_of, green_out, understand
from orthocline.wording.ground.green_files import doubt_words, fact_words
from orthocline.wording.wording import USUAL_WORDING

CHART = FORMATS["chart"]
FINEST_M, COARSEST_M = 0.05, 5.0
File = click.Path(exists=True, dir_okay=False, path_type=Path)


@click.group("green")
def green_command() -> None:
    """Read and write files of greens: grids, clouds of points, GeoJSON, charts."""


@green_command.command("import")
@click.argument("file", type=File)
@click.option("-o", "--output", type=click.Path(path_type=Path), help="Write the chart to this file.")
@click.option("--system", default="", help="Its coordinate system, if it does not say: EPSG:25832.")
@click.option("--unit", type=click.Choice([*UNITS, DEGREES]), default=None, help="The unit of its places.")
@click.option("--height-unit", type=click.Choice(list(UNITS)), default=None, help="The unit of its heights.")
@click.option("--first", type=click.Choice(["east", "north"]), default=None, help="What stands first.")
@click.option("--middle", nargs=2, type=float, default=None, help="East and north of the green's middle [m].")
@click.option("--up", type=float, default=None, help="The way play comes in, degrees clockwise from north.")
@click.option("--deep", type=float, default=None, help="How deep the green is [m].")
@click.option("--wide", type=float, default=None, help="How wide it is [m].")
@click.option("--onto", type=File, default=None, help="A chart that the file is added to.")
def import_command(
    file: Path,
    output: Path | None,
    system: str,
    unit: str | None,
    height_unit: str | None,
    first: str | None,
    middle: tuple[float, float] | None,
    up: float | None,
    deep: float | None,
    wide: float | None,
    onto: Path | None,
) -> None:
    """Say what is understood of FILE, and make a chart of it."""
    said = Said(system, unit or "", height_unit or "", first or "", middle)
    wanted = Wanted(None if up is None else math.radians(up), middle, deep, wide)
    try:
        understood = _understood(file, said, wanted, _chart(onto) if onto else Chart())
    except FileError as error:
        raise click.ClickException(str(error)) from error
    for sentence in fact_words(understood.facts, USUAL_WORDING):
        click.echo(sentence)
    doubt = doubt_words(understood.facts)
    if doubt:
        click.echo(f"Note: {doubt}")
    if output:
        output.write_bytes(file_of(green_out(file.stem, understood.chart, USUAL_WORDING), CHART))


def _understood(file: Path, said: Said, wanted: Wanted, onto: Chart) -> Understood:
    with file.open("rb") as opened:
        kind = read_format(file.name, opened.read(BEGINS))
    if file.stat().st_size > kind.largest_bytes:
        raise FileError(kind.too_large)
    steps = list(understand(str(file), kind, said, wanted, onto))
    understood = steps[-1]
    assert isinstance(understood, Understood)
    return understood


@green_command.command("export")
@click.argument("chart", type=File)
@click.argument("file", type=click.Path(path_type=Path))
@click.option(
    "--spacing",
    type=click.FloatRange(FINEST_M, COARSEST_M),
    default=USUAL_SPACING_M,
    show_default=True,
    help="Between the heights of grids and points [m].",
)
def export_command(chart: Path, file: Path, spacing: float) -> None:
    """Write CHART, as `import` makes it, to FILE; the end of its name says in which format."""
    try:
        kind = format_of(file.name)
        file.write_bytes(file_of(green_out(file.stem, _chart(chart), USUAL_WORDING, spacing), kind))
    except FileError as error:
        raise click.ClickException(str(error)) from error


def _chart(path: Path) -> Chart:
    """Return the chart of a file; raises FileError for one that holds none."""
    with path.open("rb") as file:
        chart = chart_in(CHART.read(file, Said()).features)
    assert chart is not None, "its reader returns one or raises"
    return chart
