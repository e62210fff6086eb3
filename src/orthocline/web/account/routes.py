"""Sign up, in and out, the password, and a golfer's data out and gone."""

from collections.abc import Callable
from datetime import UTC, datetime

from flask import (
    Blueprint,
    abort,
    current_app,
    flash,
    redirect,
    render_template,
    request,
    url_for,
)
from flask import session as cookie
from flask_login import login_required
from flask_wtf import FlaskForm
from werkzeug.exceptions import NotFound
from werkzeug.wrappers import Response as AnyResponse

from orthocline.services.account.accounts import (
    Golfer,
    change_password,
    delete_account,
    end_sessions,
    keep_time_zone,
    sign_in,
    sign_up,
)
from orthocline.services.account.forgotten import make_reset_code, reset_password
from orthocline.services.carry.archive import brought_of, give_archive
from orthocline.services.demo.golfer import COPY_LIFE, DEMO_GOLFER, PUPILS, demo_copy
from orthocline.services.errors import InvalidError
from orthocline.services.jobs.jobs import ask_for, find_job, result_of
from orthocline.web.account.forms import (
    DeleteForm,
    ForgottenForm,
    PasswordForm,
    ResetCodeForm,
    SignInForm,
    SignUpForm,
    TimeZoneForm,
)
from orthocline.web.database import session
from orthocline.web.identity import login_manager, sign_in_as, sign_out_here, viewer
from orthocline.web.local import local_path
from orthocline.web.once import Typed, carried_form, entry_key, typed_form
from orthocline.web.security import EXPORT_LIMIT, SIGN_IN_LIMIT, file_limit, guess_limit, limiter
from orthocline.web.shared.uploads import pieces_of
from orthocline.wording.carry.archive import brought_words
from orthocline.wording.dates import time_zones

blueprint = Blueprint("account", __name__)
BRINGING = "archive_in"
Page = str | AnyResponse | tuple[str, int]


@blueprint.route("/sign-up", methods=["GET", "POST"], endpoint="sign_up")
@limiter.limit(SIGN_IN_LIMIT, methods=["POST"])
def sign_up_page() -> Page:
    """Make an account and sign in to it."""
    return _enter(SignUpForm(), "Sign up", lambda name, word: sign_up(session(), name, word, entry_key()))


@blueprint.route("/sign-in", methods=["GET", "POST"], endpoint="sign_in")
@limiter.limit(SIGN_IN_LIMIT, methods=["POST"])
@guess_limit
def sign_in_page() -> Page:
    """Sign in."""
    return _enter(SignInForm(), "Sign in", lambda name, word: sign_in(session(), name, word))


@blueprint.route("/sign-in/forgotten", methods=["GET", "POST"])
@limiter.limit(SIGN_IN_LIMIT, methods=["POST"])
@guess_limit
def forgotten() -> Page:
    """Give a new password to who forgot theirs and kept the code."""
    form = ForgottenForm()
    if form.is_submitted() and form.validate():
        try:
            golfer = reset_password(session(), form.name.data, form.code.data, form.new_password.data)
            sign_in_as(golfer)
            flash("Your password is changed. The code is used: make another one here.")
            return redirect(url_for(".page"), 303)
        except InvalidError as error:
            form[error.field].errors = [str(error)]
    return render_template("account/forgotten.html", form=form), 422 if form.errors else 200


@blueprint.post("/account/code")
@limiter.limit(SIGN_IN_LIMIT)
@login_required
def code() -> Page:
    """Show, once, a new code for a forgotten password."""
    form = ResetCodeForm()
    try:
        if form.validate():
            return _page(code=make_reset_code(viewer(), form.password.data))
    except InvalidError as error:
        form[error.field].errors = [str(error)]
    return _page(code_form=form)


@blueprint.post("/sign-in/demo")
@limiter.limit(SIGN_IN_LIMIT)
def sign_in_demo() -> Page:
    """Sign a visitor in to a copy of the demo's golfer, in demo mode only."""
    if not current_app.config["DEMO"]:
        abort(404)
    name = request.form.get("golfer") or DEMO_GOLFER
    sign_in_as(demo_copy(session(), datetime.now(UTC), entry_key(), name))
    return redirect(local_path(request.form.get("next")), 303)


@blueprint.post("/sign-out")
def sign_out() -> AnyResponse:
    """Sign out."""
    sign_out_here()
    return redirect(local_path(None), 303)


@blueprint.post("/sign-out/everywhere")
@login_required
def sign_out_everywhere() -> AnyResponse:
    """Sign out in every browser, whoever copied its cookie."""
    end_sessions(viewer())
    sign_out_here()
    flash("You are signed out everywhere.")
    return redirect(url_for("account.sign_in"), 303)


@blueprint.get("/account")
@login_required
def page() -> Page:
    """What is kept, how to take it along or delete it, and how to change the password."""
    return _page()


@blueprint.post("/account/password")
@limiter.limit(SIGN_IN_LIMIT)
@login_required
def password() -> Page:
    """Change the password, which ends every other session."""
    form, who = PasswordForm(), viewer()
    try:
        if form.validate():
            change_password(who, form.password.data, form.new_password.data)
            sign_in_as(who.owner, stays=cookie.permanent)
            flash("Your password is changed, and every other browser is signed out.")
            return redirect(url_for("account.page"), 303)
    except InvalidError as error:
        form[error.field].errors = [str(error)]
    return _page(password_form=form)


@blueprint.post("/account/time-zone")
@login_required
def time_zone() -> Page:
    """Keep by whose clock the golfer lives."""
    form, who = TimeZoneForm(), viewer()
    try:
        if form.validate():
            keep_time_zone(who, form.time_zone.data)
            flash(f"Times are {form.time_zone.data}'s from now on.")
            return redirect(url_for("account.page"), 303)
    except InvalidError as error:
        form[error.field].errors = [str(error)]
    return _page(zone_form=form)


@blueprint.post("/account/export")
@limiter.limit(EXPORT_LIMIT)
@login_required
def export() -> AnyResponse:
    """Ask for everything that is kept of the golfer, as one archive."""
    job = ask_for(viewer(), session(), "archive", key=entry_key())
    return redirect(url_for("jobs.page", job_id=job.id), 303)


@blueprint.post("/account/archive")
@file_limit
@login_required
def bring() -> Page:
    """Take in an archive, to be looked through and brought in."""
    file = request.files.get("file")
    if file is None or not file.filename or not FlaskForm().validate_on_submit():
        return _page(file_error="Choose a file.")
    try:
        task = give_archive(viewer(), session(), file.filename, pieces_of(file.stream), entry_key())
    except InvalidError as refused:
        return _page(file_error=str(refused))
    finally:
        file.close()
    job = ask_for(viewer(), session(), BRINGING, task, entry_key())
    return redirect(url_for("jobs.page", job_id=job.id), 303)


@blueprint.get("/account/archive/<int:job_id>")
@login_required
def brought_in(job_id: int) -> AnyResponse:
    """Say what an archive brought, or why it did not."""
    job = find_job(viewer(), session(), job_id)
    if job.kind != BRINGING or job.is_open:
        raise NotFound
    if job.state == "done":
        flash(brought_words(*brought_of(b"".join(result_of(viewer(), session(), job_id)))))
    else:
        flash(job.why or "Nothing was brought in.")
    return redirect(url_for(".page"), 303)


@blueprint.post("/account/delete")
@limiter.limit(SIGN_IN_LIMIT)
@login_required
def delete() -> Page:
    """Delete the account and everything in it."""
    form, who = DeleteForm(), viewer()
    try:
        if who.owner.demo or form.validate():
            delete_account(who, session(), form.password.data or "")
            sign_out_here()
            flash("Your account and everything in it is deleted.")
            return redirect(local_path(None), 303)
    except InvalidError as error:
        form.password.errors = [str(error)]
    return _page(delete_form=form)


def _page(
    password_form: FlaskForm | None = None,
    delete_form: FlaskForm | None = None,
    zone_form: FlaskForm | None = None,
    code_form: FlaskForm | None = None,
    code: str = "",
    file_error: str = "",
) -> Page:
    page = render_template(
        "account/page.html",
        form=delete_form or DeleteForm(formdata=None),
        password_form=password_form or PasswordForm(formdata=None),
        zone_form=zone_form or TimeZoneForm(formdata=None, data={"time_zone": viewer().owner.time_zone}),
        code_form=code_form or ResetCodeForm(formdata=None),
        code=code,
        zones=time_zones(),
        file_error=file_error,
        copy_ends=viewer().owner.created_at + COPY_LIFE if viewer().owner.demo else None,
    )
    return page, 422 if request.method == "POST" and not code else 200


@login_manager.unauthorized_handler
def ask_to_sign_in() -> Page:
    """Ask a stranger to sign in; a form that was sent meanwhile waits on the page."""
    typed = typed_form()
    flash("Sign in to go on: the log is yours alone.")
    if typed is None:
        return redirect(url_for("account.sign_in", next=request.full_path.rstrip("?")), 302)
    return _entrance(SignInForm(formdata=None), "Sign in", typed.address, typed), 401


def _enter(form: FlaskForm, title: str, enter: Callable[[str, str], Golfer]) -> Page:
    """Show a form; sign in the golfer that it gives once it is right."""
    onward = request.args.get("next") or request.form.get("next")
    typed = carried_form(request.form.get("typed", ""))
    if form.is_submitted() and form.validate():
        try:
            sign_in_as(enter(form.name.data, form.password.data), stays=form.stays.data)
            if typed:
                return render_template("account/resend.html", typed=typed)
            return redirect(local_path(onward), 303)
        except InvalidError as error:
            form[error.field].errors = [str(error)]
    return _entrance(form, title, onward, typed), 422 if form.errors else 200


def _entrance(form: FlaskForm, title: str, onward: str | None, typed: Typed | None) -> str:
    new = isinstance(form, SignUpForm)
    return render_template(
        "account/enter.html", form=form, title=title, new=new, next=onward, typed=typed, pupils=PUPILS
    )
