"""Sign up, sign in, sign out, and a golfer's data out and gone."""

from collections.abc import Callable

from flask import (
    Blueprint,
    Response,
    abort,
    current_app,
    flash,
    json,
    redirect,
    render_template,
    request,
    url_for,
)
from flask_login import login_required, login_user, logout_user
from flask_wtf import FlaskForm
from sqlalchemy.orm import Session
from werkzeug.wrappers import Response as AnyResponse

from orthocline.db.models import Golfer
from orthocline.services.accounts import delete_account, export_account, sign_in, sign_up
from orthocline.services.demo import demo_golfer
from orthocline.services.errors import InvalidError
from orthocline.web.account.forms import DeleteForm, SignInForm, SignUpForm
from orthocline.web.database import session
from orthocline.web.identity import User, golfer, login_manager
from orthocline.web.local import local_path
from orthocline.web.once import Typed, carried_form, typed_form
from orthocline.web.security import SIGN_IN_LIMIT, limiter

blueprint = Blueprint("account", __name__)
Page = str | AnyResponse | tuple[str, int]


@blueprint.route("/sign-up", methods=["GET", "POST"], endpoint="sign_up")
@limiter.limit(SIGN_IN_LIMIT, methods=["POST"])
def sign_up_page() -> Page:
    """Make an account and sign in to it."""
    return _enter(SignUpForm(), "Sign up", sign_up)


@blueprint.route("/sign-in", methods=["GET", "POST"], endpoint="sign_in")
@limiter.limit(SIGN_IN_LIMIT, methods=["POST"])
def sign_in_page() -> Page:
    """Sign in."""
    return _enter(SignInForm(), "Sign in", sign_in)


@blueprint.post("/sign-in/demo")
def sign_in_demo() -> Page:
    """Sign the demo golfer in, in demo mode only."""
    demo = demo_golfer(session()) if current_app.config["DEMO"] else None
    if demo is None:
        abort(404)
    login_user(User(demo))
    return redirect(local_path(request.form.get("next")), 303)


@blueprint.post("/sign-out")
def sign_out() -> AnyResponse:
    """Sign out."""
    logout_user()
    return redirect(local_path(None), 303)


@blueprint.get("/account")
@login_required
def page() -> str:
    """What is kept, and how to take it along or delete it."""
    return render_template("account/page.html", form=DeleteForm())


@blueprint.get("/account/export")
@login_required
def export() -> Response:
    """Everything that is kept of the golfer, as one JSON file."""
    text = json.dumps(export_account(session(), golfer()), indent=1)
    headers = {"Content-Disposition": "attachment; filename=orthocline-account.json"}
    return Response(text, mimetype="application/json", headers=headers)


@blueprint.post("/account/delete")
@limiter.limit(SIGN_IN_LIMIT)
@login_required
def delete() -> Page:
    """Delete the account and everything in it."""
    form = DeleteForm()
    if not form.validate_on_submit():
        return render_template("account/page.html", form=form), 422
    try:
        delete_account(session(), golfer(), form.password.data)
    except InvalidError as error:
        form.password.errors = [str(error)]
        return render_template("account/page.html", form=form), 422
    logout_user()
    flash("Your account and everything in it is deleted.")
    return redirect(local_path(None), 303)


@login_manager.unauthorized_handler
def ask_to_sign_in() -> Page:
    """Ask a stranger to sign in; a form that was sent meanwhile waits on the page."""
    typed = typed_form()
    flash("Sign in to go on: the log is yours alone.")
    if typed is None:
        return redirect(url_for("account.sign_in", next=request.full_path.rstrip("?")), 302)
    return _entrance(SignInForm(formdata=None), "Sign in", typed.address, typed), 401


def _enter(form: FlaskForm, title: str, enter: Callable[[Session, str, str], Golfer]) -> Page:
    """Show a form; sign in the golfer that it gives once it is right."""
    onward = request.args.get("next") or request.form.get("next")
    typed = carried_form(request.form.get("typed", ""))
    if form.is_submitted() and form.validate():
        try:
            login_user(User(enter(session(), form.name.data, form.password.data)))
            if typed:
                return render_template("account/resend.html", typed=typed)
            return redirect(local_path(onward), 303)
        except InvalidError as error:
            form[error.field].errors = [str(error)]
    return _entrance(form, title, onward, typed), 422 if form.errors else 200


def _entrance(form: FlaskForm, title: str, onward: str | None, typed: Typed | None) -> str:
    new = isinstance(form, SignUpForm)
    return render_template("account/enter.html", form=form, title=title, new=new, next=onward, typed=typed)
