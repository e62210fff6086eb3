"""Sharings for tests."""

from orthocline.db.share.models import Sharing


def let_see(session, giver, taker, *what, keeper=False):
    """Let one golfer see something of another's."""
    held = Sharing(giver_id=giver.id, taker_id=taker.id, what=list(what), keeper=keeper)
    session.add(held)
    session.commit()
    return held
