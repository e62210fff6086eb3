"""The training record feature: how far eyes have come, and what they do."""

from orthocline.web.training_record.routes import blueprint

__all__ = ["blueprint"]
