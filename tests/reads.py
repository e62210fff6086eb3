"""Addresses of reads that tests ask for."""

SPINDRIFT = {
    "length": "14 ft",
    "side": "2.1 %",
    "falls": "left",
    "rise": "0.9 %",
    "slope": "up",
    "speed": "10.2",
    "past": "9 in",
    "course": "Ternholm Links",
    "green": "green 4, Spindrift",
}
"""The demo putt, every figure as typed."""


def spots(*readings):
    """Return the fields of readings in places, each as place, fall, size and instrument."""
    return {
        f"spot-{i}-{name}": said
        for i, one in enumerate(readings)
        for name, said in zip(("at", "falls", "size", "by"), one, strict=True)
    }
