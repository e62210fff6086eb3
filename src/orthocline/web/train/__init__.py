"""The train feature: questions to train eyes and feet by, asked and answered."""

from orthocline.web.train.routes import blueprint

__all__ = ["blueprint"]
