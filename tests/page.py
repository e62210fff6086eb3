"""A page as its reader finds it: words, links and fields, whatever the markup around them."""

from functools import lru_cache
from urllib.parse import parse_qs, urlsplit

from bs4 import BeautifulSoup


def parsed(response):
    """Return the elements of a page; the same ones for whoever asks for the same page again."""
    return _parsed(response.text)


@lru_cache(8)
def _parsed(page):
    # The quick parser makes a whole page of a part of one.
    return BeautifulSoup(page, "lxml" if page.lstrip()[:9].lower() == "<!doctype" else "html.parser")


def words_of(element):
    return " ".join(element.get_text().split())


def text(response):
    """Return all words of a page, with single spaces."""
    return words_of(parsed(response))


def words_at(response, selector):
    """Return the words of the first part of a page that fits a selector."""
    return words_of(parsed(response).select_one(selector))


def links(response, part=""):
    """Return where the links of a page lead whose address has a part."""
    return [link["href"] for link in parsed(response).find_all("a", href=True) if part in link["href"]]


def link(response, words):
    """Return where the one link with these words leads."""
    (found,) = {a["href"] for a in parsed(response).find_all("a", href=True) if words in words_of(a)}
    return found


def values(form):
    """Return name and value of each field as the form would send it."""
    fields = {}
    for field in form.find_all(["input", "textarea", "select"], attrs={"name": True}):
        if field.name == "textarea":
            fields[field["name"]] = field.get_text().removeprefix("\n")
        elif field.name == "select":
            chosen = field.find("option", selected=True) or field.find("option")
            fields[field["name"]] = chosen.get("value", words_of(chosen))
        elif field.get("type") not in ("checkbox", "radio") or field.has_attr("checked"):
            fields[field["name"]] = field.get("value", "")
    return fields


def value(response, name):
    """Return what stands in a field."""
    return values(parsed(response))[name]


def holds(response, value):
    """Return whether some field or button of a page has this value."""
    return parsed(response).find(attrs={"value": value}) is not None


def drawn(response, part):
    """Return the elements of a drawing that are a part of this name."""
    return parsed(response).find_all(attrs={"data-part": part})


def fields(address):
    """Return the fields of an address, each with all its values."""
    return parse_qs(urlsplit(address).query)
