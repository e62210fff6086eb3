"""What can go wrong in a use case, in words for the golfer."""


class DomainError(Exception):
    """Something a golfer asked for that is not done; the message says why and what to do."""


class NotAllowedError(DomainError):
    """The mode, Competition, forbids it."""


class NotFoundError(DomainError):
    """There is no such thing among this golfer's own."""


class InvalidError(DomainError):
    """A figure or text is not acceptable; `field` names it."""

    def __init__(self, field: str, message: str) -> None:
        super().__init__(message)
        self.field = field


class MissingError(InvalidError):
    """A figure is not there yet: nothing is wrong, and the message says what comes next."""
