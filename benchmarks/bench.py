"""`make bench`: what is fast, true and light, against what is asked and the alternatives, in one run.

usage: bench.py [PART ...]   (all parts write the table of the README, some only print)
"""

import sys
import time

from bars import begin_part, ticks, write_table
from calls import bench_calls
from carry import bench_carry
from green_files import bench_green_files
from greens import bench_greens
from holing import bench_holing
from learning import bench_learning
from log import bench_log
from orthocline.db.server.cluster import ensure_running
from orthocline.db.server.settings import var_folder
from orthocline.logs import say_in_json
from putts import bench_putts, shot_ms
from reads import bench_reads
from server import bench_server
from study import bench_study
from sureness import bench_sureness
from training import bench_training
from truth import bench_truth
from watched import bench_watched


def bench_database():
    """Return the address of a fresh database."""
    cluster = ensure_running(var_folder())
    cluster.create_database("orthocline_bench", fresh=True)
    return cluster.url("orthocline_bench")


PARTS = {
    "putts": bench_putts,
    "truth": bench_truth,
    "sureness": bench_sureness,
    "watched": bench_watched,
    "calls": bench_calls,
    "holing": lambda: bench_holing(bench_database()),
    "learning": bench_learning,
    "training": lambda: bench_training(bench_database()),
    "greens": lambda: bench_greens(bench_database()),
    "files": bench_green_files,
    "carry": lambda: bench_carry(bench_database()),
    "log": lambda: bench_log(bench_database()),
    "reads": bench_reads,
    "server": lambda: bench_server(bench_database()),
    "study": bench_study,
}
"""Each measures something, and says it."""


def main():
    """Measure, and write it down where it is all."""
    say_in_json("error")
    asked, begun, since = sys.argv[1:] or list(PARTS), time.monotonic(), ticks()
    for name in asked:
        print(name, flush=True)
        begin_part(shot_ms())
        PARTS[name]()
    if asked == list(PARTS):
        write_table(time.monotonic() - begun, since)


if __name__ == "__main__":
    main()
