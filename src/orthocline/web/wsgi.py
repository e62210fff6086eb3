"""The application as gunicorn serves it, configured from the environment."""

import os

from orthocline.web.app import create_app

app = create_app(
    {
        "SECRET_KEY": os.environ.get("ORTHOCLINE_SECRET", ""),
        "DATABASE_URL": os.environ["DATABASE_URL"],
        "DEMO": os.environ.get("ORTHOCLINE_DEMO") == "1",
    }
)
