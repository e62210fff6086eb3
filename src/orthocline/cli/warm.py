"""Compiling ahead."""

import click

from orthocline.core.roll import compile_ahead


@click.command("warm")
def warm_command() -> None:
    """Compile the physics once, so that no first visitor waits."""
    compile_ahead()
