"""The kitchen's book: begun, asked how far it is, taken."""

from __future__ import annotations

from django.http import HttpRequest, HttpResponse
from ninja import Router, Status

from entremet.kitchen.actions import binding
from entremet.kitchen.actions.binding import Binding
from entremet.kitchen.actions.books import BookAsked
from entremet.kitchen.api.downloads import described, file_response
from entremet.kitchen.api.schemas import book as io
from entremet.kitchen.api.schemas.base import ProblemOut

router = Router(tags=["book"])

REFUSED = {400: ProblemOut, 404: ProblemOut, 422: ProblemOut}


@router.post("/book", response={202: io.BookOut, **REFUSED}, operation_id="make_book")
def make(request: HttpRequest, body: io.BookIn) -> Status[io.BookOut]:
    """Begin a book in place of the one before; it is made beside everything else."""
    return Status(202, _told(binding.begin(BookAsked(
        title=" ".join(body.title.split()), recipes=tuple(body.recipes), paper=body.paper,
        beside=body.beside, pan=body.pan))))


@router.get("/book", response={200: io.BookOut, 204: None}, operation_id="get_book")
def told(request: HttpRequest) -> Status[io.BookOut | None]:
    """How far the book is; nothing where none was begun since the start."""
    found = binding.current_book()
    return Status(204, None) if found is None else Status(200, _told(found))


@router.delete("/book", response={204: None}, operation_id="put_book_away")
def away(request: HttpRequest) -> Status[None]:
    """Stop the book, or let go of the one that is there."""
    binding.put_away()
    return Status(204, None)


@router.get("/book/file", response=REFUSED, operation_id="book_file",
            openapi_extra=described("application/pdf"))
def file(request: HttpRequest) -> HttpResponse:
    """The book as PDF."""
    found, made = binding.made_book()
    return file_response(f"kitchen-book-{found.paper}.pdf", "application/pdf", made.pdf)


def _told(found: Binding) -> io.BookOut:
    made = found.made
    return io.BookOut(
        title=found.title, paper=found.paper, cards=found.cards, steps=found.steps,
        done=found.done, ready=made is not None, failed=found.failed,
        pages=None if made is None else made.pages,
        kb=None if made is None else round(len(made.pdf) / 1000),
        lacking=[] if made is None else [io.LackingOut(title=title, signs=signs)
                                         for title, signs in made.lacking])
