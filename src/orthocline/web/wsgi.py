"""The application as gunicorn serves it, configured from the environment; what it says is JSON."""

import gc
import os

from orthocline.logs import say_in_json
from orthocline.web.app import create_app
from orthocline.web.gate import Gate
from orthocline.web.settings import SettingError, processes, settings

try:
    said = settings(os.environ)
except SettingError as error:
    raise SystemExit(f"Error: {error}") from None
say_in_json(processes(os.environ).log)
app = create_app(said)
app.wsgi_app = Gate(app.wsgi_app)  # type: ignore[method-assign]
# Once, before the workers are forked: what all need is then theirs, and no work for their collectors.
for _name in app.jinja_env.list_templates():
    app.jinja_env.get_template(_name)
gc.collect()
gc.freeze()
