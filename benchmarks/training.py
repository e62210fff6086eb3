"""Training: how long questions take; learners, biases and readers that are known."""

import time

import numpy as np
from tests.trained import TYPED, learner, reader

from applications import unlimited
from bars import bar
from orthocline.core.train import mean_bias, seen_share

LEARNERS, READERS, TIMES = 800, 4000, 25
ABILITIES = (3.0, 5.0, 8.0)


def bench_training(url):
    print("training")
    bench_questions(url)
    bench_staircase(np.random.default_rng(21))
    bench_biases(np.random.default_rng(5))
    bench_readers(np.random.default_rng(77))


def bench_questions(url):
    """Print the server time of each question and of its answer, over levels and so over cues."""
    client = unlimited(url, WTF_CSRF_ENABLED=False).test_client()
    slowest = 0.0
    for asks, answer in TYPED.items():
        asked, answered = [], []
        for i in range(TIMES):
            fields = {"asks": asks, "ground": "made", "level": 10 * i / TIMES, "seed": 1009 * i}
            asked.append(taken(client, "/train/putt", fields))
            fields |= {"answer": answer, "by": "aim_spot"}
            answered.append(taken(client, "/train/putt/answer", fields))
        print(f"  {asks:9s} asked {told(asked)}, answered {told(answered)} ms")
        slowest = max(slowest, float(np.median(asked[1:])))
    bar("a question of the trainer, the slowest kind, median", slowest, "ms", most=40)


def taken(client, path, fields):
    begun = time.perf_counter()
    client.get(path, query_string=fields)
    return 1e3 * (time.perf_counter() - begun)


def told(times):
    # The first of each pays for what is held afterwards.
    return f"{np.median(times[1:]):.0f} (p95 {np.quantile(times[1:], 0.95):.0f})"


def bench_staircase(rng):
    """Print how many answers are good from the 41st to the 60th, by the learner's ability."""
    for ability in ABILITIES:
        good = np.mean([learner(ability, rng, 60)[40:] for _ in range(LEARNERS)])
        what = f"good answers from the 41st on, ability {ability:g}"
        bar(what, 100 * good, "%", least=68, most=74, against=f"{LEARNERS} simulated learners")


def bench_biases(rng):
    """Print how often ranges hold what learners do."""
    means, shares = [], []
    for _ in range(1000):
        found = mean_bias((0.4 + rng.normal(size=15)).tolist())
        means.append(found.least <= 0.4 <= found.most)
        true = rng.uniform(0.05, 0.8, 25) * rng.choice([-1.0, 1.0], 25)
        seen = seen_share(0.667 * true * (1.0 + 0.3 * rng.normal(size=25)), true).factor
        shares.append(seen.least <= 0.667 <= seen.most)
    bar("ranges of a learner's bias hold it", 100 * np.mean(means), "%", least=93, most=97)
    bar("ranges of the share of the break seen hold it", 100 * np.mean(shares), "%", least=93, most=97)


def bench_readers(rng):
    """Print how often readers who are better one way, both times, are told so."""
    for times in (1.0, 1.5, 2.0, 3.0):
        verdicts = [reader(rng, gate=times, felt=times) for _ in range(READERS)]
        school = np.mean([one.school == "aim_spot" for one in verdicts])
        right = np.mean([one.lines.told and one.lines.first_better > 0.5 for one in verdicts])
        wrong = np.mean([one.lines.told and one.lines.first_better < 0.5 for one in verdicts])
        print(
            f"  readers {times:g} times as good: school {100 * school:.0f} %,"
            f" line told rightly {100 * right:.0f} %, wrongly {100 * wrong:.1f} %"
        )
