"""The log's rules: where a ball finished."""

from orthocline.core.log.finish import FARTHEST_FINISH_M, Finish

__all__ = ["FARTHEST_FINISH_M", "Finish"]
