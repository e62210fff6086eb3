"""What can go wrong in a use case, in words for the golfer."""

from collections.abc import Mapping


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


class ChangedError(DomainError):
    """What it was entered for has changed meanwhile; `choices` are what may be decided, by name, in words."""

    def __init__(self, message: str, choices: Mapping[str, str]) -> None:
        super().__init__(message)
        self.choices = choices


class MissingError(InvalidError):
    """A figure is not there yet: nothing is wrong, and the message says what comes next."""
