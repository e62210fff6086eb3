"""`make mutants`: faults put into the code one at a time, and the share of them that a test notices.

Cosmic Ray changes a copy of the tree for each part, so the tree itself is never touched. Parts that are
compiled run as plain Python, or their faults would never be seen. `SAMPLE` is how many faults of each part
are tried (0 for all: hours), drawn by a fixed seed; `PARTS` names the parts.
"""

import os
import random
import shutil
import subprocess
import sys
from concurrent.futures import ThreadPoolExecutor
from pathlib import Path

from cosmic_ray.work_db import WorkDB, use_db
from cosmic_ray.work_item import TestOutcome, WorkerOutcome, WorkResult

ROOT = Path(__file__).parents[1]
FOLDER = ROOT / "var" / "mutants"
COPIED = ("src", "tests", "pyproject.toml", "docs")
OPTIONS = "-x -q -p no:cacheprovider --noconftest --hypothesis-profile=ci"
ASKED, SEED, TIMEOUT_S = 0.85, 7, 120
PARTS = {
    "make window": (["core/roll/make_window.py"], ["tests/core/roll/test_holing_out.py"]),
    "labels": (["drawing/labels.py"], ["tests/drawing/test_labels.py", "tests/drawing/roll/test_plan.py"]),
    "call": (["wording/read/call.py"], ["tests/wording/read"]),
    "marks": (["core/calls/marks.py"], ["tests/core/calls"]),
    "estimate": (["core/estimate.py"], ["tests/core/test_estimate.py"]),
    "speeds": (
        ["core/speed/ageing.py", "core/speed/posted.py", "core/speed/timed.py", "core/speed/tuning_putts.py"],
        ["tests/core/speed/test_other_methods.py", "tests/core/speed/test_pace.py"],
    ),
    "study": (
        ["core/study/place.py", "core/study/ranked.py", "core/study/next_putts.py"],
        ["tests/core/study"],
    ),
    "next place": (["core/survey/next_reading.py"], ["tests/core/survey"]),
    "cards": (["core/cards/cell.py", "core/cards/gauge.py", "core/cards/limits.py"], ["tests/core/cards"]),
    "log": (["core/log/bands.py", "core/log/statistics.py", "core/log/ranges.py"], ["tests/core/log"]),
}


def prepared(name: str) -> Path:
    """Return a folder with a copy of what the tests of a part need."""
    folder = FOLDER / name.replace(" ", "-")
    folder.mkdir(parents=True)
    for one in COPIED:
        source = ROOT / one
        copy = shutil.copytree if source.is_dir() else shutil.copy
        copy(source, folder / one)
    return folder


def draw(database: WorkDB, sample: int) -> None:
    """Leave so many faults to be tried, drawn by a fixed seed."""
    jobs = sorted(item.job_id for item in database.work_items)
    by_place = {item.job_id: str(item.mutations) for item in database.work_items}
    jobs.sort(key=by_place.__getitem__)
    chosen = set(random.Random(SEED).sample(jobs, min(sample, len(jobs)))) if sample else set(jobs)
    skipped = WorkResult(output="", worker_outcome=WorkerOutcome.SKIPPED)
    database.set_multiple_results([job for job in jobs if job not in chosen], skipped)


def try_part(name: str, sample: int) -> bool:
    """Try faults of a part, print how many were noticed and those that were not; return whether enough."""
    (modules, tests), folder = PARTS[name], prepared(name)
    paths = ", ".join(f'"src/orthocline/{module}"' for module in modules)
    command = f"{sys.executable} -m pytest {OPTIONS} {' '.join(tests)}"
    settings = f"[cosmic-ray]\nmodule-path = [{paths}]\ntimeout = {TIMEOUT_S}.0\nexcluded-modules = []\n"
    settings += f'test-command = "{command}"\n[cosmic-ray.distributor]\nname = "local"\n'
    config, session = folder / "part.toml", folder / "part.sqlite"
    config.write_text(settings)
    environment = os.environ | {"PYTHONPATH": f"{folder / 'src'}:{folder}"}
    if any("@njit" in (ROOT / "src/orthocline" / module).read_text() for module in modules):
        environment["NUMBA_DISABLE_JIT"] = "1"
    # Tests that fail without a fault say nothing; and what is compiled is so before any time is taken.
    subprocess.run(command.split(), cwd=folder, env=environment, check=True)
    ray = str(Path(sys.executable).with_name("cosmic-ray"))
    subprocess.run([ray, "init", config, session], cwd=folder, env=environment, check=True)
    with use_db(session) as database:
        draw(database, sample)
    subprocess.run([ray, "exec", config, session], cwd=folder, env=environment, check=True)
    with use_db(session, WorkDB.Mode.open) as database:
        results = dict(database.results)
        tried = {job: one for job, one in results.items() if one.worker_outcome != WorkerOutcome.SKIPPED}
        lived = [job for job, one in tried.items() if one.test_outcome == TestOutcome.SURVIVED]
        for item in database.work_items:
            for fault in item.mutations if item.job_id in lived else ():
                place = f"{fault.module_path}:{fault.start_pos[0]}"
                print(f"  lived: {place} {fault.operator_name} {fault.occurrence}")
    noticed = len(tried) - len(lived)
    print(f"{name:12s} {noticed} of {len(tried)} noticed, {100 * noticed / len(tried):.0f} %", flush=True)
    return noticed >= ASKED * len(tried)


def main() -> int:
    """Try the parts and print the share of faults noticed in each."""
    sample = int(os.environ.get("SAMPLE", "40"))
    wanted = [name for name in os.environ.get("PARTS", "").split(",") if name] or list(PARTS)
    shutil.rmtree(FOLDER, ignore_errors=True)
    with ThreadPoolExecutor(os.cpu_count()) as pool:
        enough = list(pool.map(lambda name: try_part(name, sample), wanted))
    return 0 if all(enough) else 1


if __name__ == "__main__":
    sys.exit(main())
