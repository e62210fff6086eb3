"""Files of greens: a large cloud and a large grid, against a cloud read whole; the worst of the lies."""

import os
import subprocess
import sys
import tempfile
import threading
import time
from pathlib import Path

import laspy
import numpy as np
from pyproj import CRS

from bars import bar
from orthocline.core.chart import Chart, Wanted
from orthocline.formats.green_files.apart import READING, read_apart
from orthocline.formats.green_files.registry import format_of
from orthocline.formats.green_files.source import FileError, Said
from orthocline.services.ground.green_files import understand

POINTS, SIDE = 2_200_000, 2000
EAST, NORTH = 565_000.0, 5_930_000.0
SAMPLED_S = 0.01
WHOLE = "import sys, laspy; c = laspy.read(sys.argv[1]); c.x, c.y, c.z"
PEAK = "; import resource; print(resource.getrusage(resource.RUSAGE_SELF).ru_maxrss)"


def bench_green_files():
    """Print how long files take, and how much memory the worker and its reader take together."""
    with tempfile.TemporaryDirectory() as folder:
        for path in (a_cloud(Path(folder, "cloud.laz")), a_grid(Path(folder, "grid.asc"))):
            seconds, peak = measured("understood", path)
            size = path.stat().st_size / 1e6
            bar(f"a file of {size:.0f} MB ({path.suffix[1:]}) understood", seconds, "s", most=20)
            bar(f"memory for it ({path.suffix[1:]})", peak, "MB", most=500)
        whole = subprocess.run(
            [sys.executable, "-c", WHOLE + PEAK, str(Path(folder, "cloud.laz"))],
            capture_output=True,
            check=True,
        )
        print(f"the cloud's points alone, read whole: {int(whole.stdout) / 1e3:.0f} MB of memory")
        bench_lies(folder)


def bench_lies(folder):
    """The longest and the largest of the files that lie."""
    sys.path.insert(0, str(Path(__file__).parents[1]))
    from tests.formats.green_files.hostile import FILES  # noqa: PLC0415 - tests are no package of the product

    worst = {}
    for name, content in FILES.items():
        path = Path(folder, name)
        path.write_bytes(content)
        try:
            kind = format_of(name, content[:16]).name
        except FileError:
            continue
        worst[name] = measured("refused", path, kind)
    longest, largest = (max(worst, key=lambda name, k=k: worst[name][k]) for k in (0, 1))
    bar(f"{len(worst)} files that lie, the longest refused", worst[longest][0], "s", most=2, against=longest)
    bar("the most memory that one takes", worst[largest][1], "MB", most=200, against=largest)


def measured(what, *given):
    """Return how long one thing takes in a process of its own, and its memory and its readers' [MB]."""
    done = subprocess.run(
        [sys.executable, __file__, what, *map(str, given)], capture_output=True, text=True, check=True
    )
    seconds, peak = done.stdout.split()
    return float(seconds), float(peak)


def understood(path):
    """Understand a file, as the worker does."""
    for _ in understand(path, format_of(path), Said(), Wanted(), Chart()):
        pass


def refused(path, kind):
    """Let a file be refused."""
    try:
        list(read_apart(path, kind, Said()))
    except FileError:
        return
    raise AssertionError(f"{path} was taken")


def a_cloud(path):
    """Write a cloud of two hundred metres square, as a laser counts it."""
    rng = np.random.default_rng(1)
    at = rng.uniform((-90.0, -90.0), (114.0, 110.0), (POINTS, 2))
    header = laspy.LasHeader(point_format=6, version="1.4")
    header.scales, header.offsets = [1e-3] * 3, [EAST, NORTH, 0.0]
    header.add_crs(CRS.from_epsg(25832))
    cloud = laspy.LasData(header)
    cloud.x, cloud.y = EAST + at[:, 0], NORTH + at[:, 1]
    cloud.z = ground(*at.T) + rng.normal(0.0, 0.01, POINTS)
    cloud.intensity = rng.integers(0, 65535, POINTS).astype(np.uint16)
    cloud.gps_time = np.sort(rng.uniform(0.0, 1e5, POINTS))
    cloud.write(path)
    return path


def a_grid(path):
    """Write a grid of four million cells."""
    x = np.linspace(-38.0, 62.0, SIDE)
    head = (
        f"ncols {SIDE}\nnrows {SIDE}\nxllcenter {EAST - 38}\nyllcenter {NORTH - 38}\ncellsize {x[1] - x[0]}\n"
    )
    with path.open("w") as file:
        file.write(head)
        np.savetxt(file, ground(*np.meshgrid(x, x))[::-1], fmt="%.3f")
    return path


def ground(x, y):
    """A green on rolling land."""
    return 30.0 + 0.01 * y + 0.2 * np.sin(x / 7.0) * np.cos(y / 9.0)


def memory(pid, line):
    """Return one figure of a process's memory [kB], 0 once it is gone."""
    try:
        told = Path(f"/proc/{pid}/status").read_text()
    except OSError:
        return 0
    return sum(int(one.split()[1]) for one in told.splitlines() if one.startswith(line))


def readers():
    """Return the processes that this one started, as soon as they are more than its copies."""
    told = Path(f"/proc/{os.getpid()}/task/{os.getpid()}/children").read_text().split()
    return [pid for pid in told if READING in command(pid)]


def command(pid):
    """Return the words by which a process was started."""
    try:
        return Path(f"/proc/{pid}/cmdline").read_text()
    except OSError:
        return ""


class Watch:
    """The memory of this process and its readers, or of the readers alone, at its most [kB]."""

    def __init__(self, alone):
        self.alone, self.most, self.over = alone, 0, threading.Event()

    def look(self):
        """Look again and again."""
        while not self.over.is_set():
            told = sum(memory(pid, "VmHWM") for pid in readers())
            self.most = max(self.most, told + (0 if self.alone else memory(os.getpid(), "VmRSS")))
            time.sleep(SAMPLED_S)


if __name__ == "__main__":
    watch = Watch(alone=sys.argv[1] == "refused")
    watching = threading.Thread(target=watch.look)
    watching.start()
    start = time.perf_counter()
    globals()[sys.argv[1]](*sys.argv[2:])
    seconds = time.perf_counter() - start
    watch.over.set()
    watching.join()
    print(seconds, watch.most / 1e3)
