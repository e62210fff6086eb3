"""The application as gunicorn serves it, configured from the environment."""

import os

from orthocline.web.app import create_app
from orthocline.web.settings import settings

app = create_app(settings(os.environ))
