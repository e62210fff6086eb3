"""Public functions of the core say what goes in and comes out, and constants where they come from."""

import ast
import re
from pathlib import Path

import pytest

import orthocline.core

CORE = Path(orthocline.core.__file__).parent
MODULES = {
    path.relative_to(CORE).as_posix(): ast.parse(path.read_text()) for path in sorted(CORE.rglob("*.py"))
}
FUNCTIONS = {
    f"{module}:{node.name}": node
    for module, tree in MODULES.items()
    for node in tree.body
    if isinstance(node, ast.FunctionDef) and not node.name.startswith("_")
}
UNITLESS = (
    "sign",
    "side",
    "correction",
    "share",
    "inside",
    "set_up",
    "step_share",
    "usual_share",
    "length_share_sd",
)


def sections(node):
    """Return the sections of a Numpydoc docstring by their heads."""
    parts = re.split(r"\n(\w+)\n-+\n", ast.get_docstring(node))
    return dict(zip(parts[1::2], parts[2::2], strict=True))


def parameters(text):
    """Return what a section says of each parameter."""
    said = {}
    names = []
    for line in text.splitlines():
        if line and not line.startswith(" "):
            names = [name.strip() for name in line.partition(" : ")[0].split(",")]
            said |= dict.fromkeys(names, "")
        else:
            for name in names:
                said[name] += line
    return said


@pytest.mark.parametrize("name", FUNCTIONS)
def test_what_goes_in_and_comes_out_is_said(name):
    node = FUNCTIONS[name]
    said = sections(node)
    arguments = [one for one in node.args.args + node.args.kwonlyargs if not one.arg.startswith("_")]
    told = parameters(said.get("Parameters", ""))
    assert list(told) == [one.arg for one in arguments]
    assert said["Returns"].strip()
    for one in arguments:
        figure = ast.unparse(one.annotation) == "float" if one.annotation else False
        if figure and one.arg not in UNITLESS:
            assert re.search(r"\[[^\]]+\]", told[one.arg]), one.arg


def test_there_are_functions_to_read():
    assert len(FUNCTIONS) > 70


@pytest.mark.parametrize("module", ["constants.py", "instruments.py"])
def test_constants_say_what_they_are_and_where_they_come_from(module):
    body = MODULES[module].body
    for node, after in zip(body, [*body[1:], None], strict=True):
        if isinstance(node, ast.AnnAssign) and ast.unparse(node.annotation).startswith("Final"):
            assert isinstance(after, ast.Expr), ast.unparse(node.target)
            said = ast.literal_eval(after.value)
            if module == "constants.py" and ast.unparse(node.target) != "MODEL_VERSION":
                assert re.search(r"\(.+\)", said), ast.unparse(node.target)
