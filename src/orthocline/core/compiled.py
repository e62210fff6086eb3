"""How the physics is compiled: settings of Numba's `njit`.

By NumPy's model of errors a division by nought is infinite or not a number, and costs no test.
"""

from typing import Any, Final

KEPT: Final[dict[str, Any]] = {"cache": True, "nogil": True, "error_model": "numpy"}
"""For what is kept on disk."""
BUILT_IN: Final[dict[str, Any]] = {"forceinline": True, "nogil": True, "error_model": "numpy"}
"""For what is built in where it is called: small, and called at every step."""
