"""The web application: routes, forms, drawings, templates."""
