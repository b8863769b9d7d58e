"""Files as the browser saves them: their own kind and name, nothing wrapped round them."""

from __future__ import annotations

from typing import Any

from django.http import HttpResponse


def file_response(name: str, media_type: str, content: str | bytes) -> HttpResponse:
    """Return a file to be saved under a name.

    Parameters
    ----------
    name : str
        In plain letters, digits, dots and dashes.
    media_type : str
        Its kind.
    content : str or bytes
        The file.
    """
    return HttpResponse(content, content_type=media_type,
                        headers={"Content-Disposition": f'attachment; filename="{name}"'})


def described(*media_types: str) -> dict[str, Any]:
    """Return what the API's description says of an operation that answers with a file."""
    return {"responses": {200: {"description": "The file", "content": {
        one: {"schema": {} if one.endswith("json") else {"type": "string"}}
        for one in media_types}}}}
