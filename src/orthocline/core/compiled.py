"""How the physics is compiled: settings of Numba's `njit`.

By NumPy's model of errors a division by nought is infinite or not a number, and costs no test. Products and
sums may be fused, and quotients taken as products with the inverse; nothing else is reordered.
"""

from typing import Any, Final

SETTINGS: Final[dict[str, Any]] = {"nogil": True, "error_model": "numpy", "fastmath": {"contract", "arcp"}}
KEPT: Final[dict[str, Any]] = {"cache": True, **SETTINGS}
"""For what is kept on disk."""
BUILT_IN: Final[dict[str, Any]] = {"forceinline": True, **SETTINGS}
"""For what is built in where it is called: small, and called at every step."""
