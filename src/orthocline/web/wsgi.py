"""The application as gunicorn serves it, configured from the environment; what it says is JSON."""

import os

from orthocline.logs import say_in_json
from orthocline.web.app import create_app
from orthocline.web.settings import SettingError, processes, settings

try:
    said = settings(os.environ)
except SettingError as error:
    raise SystemExit(f"Error: {error}") from None
say_in_json(processes(os.environ).log)
app = create_app(said)
