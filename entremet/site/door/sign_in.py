"""The page at the door: the passphrase is chosen on the machine itself, and asked of all others."""

from __future__ import annotations

from html import escape

from django.contrib.auth import authenticate, login
from django.contrib.auth.models import User
from django.contrib.auth.password_validation import validate_password
from django.core.exceptions import ValidationError
from django.http import HttpRequest, HttpResponse, HttpResponseRedirect
from django.middleware.csrf import get_token
from django.utils.http import url_has_allowed_host_and_scheme
from django.views.decorators.cache import never_cache
from django.views.decorators.csrf import csrf_protect

from entremet.kitchen.actions.sharing import WHO, has_passphrase, set_passphrase
from entremet.site.door.hosts import is_here
from entremet.site.door.turn import Turn

LONGEST = 200
NOT_YET = ("This kitchen is not open yet. Go to the machine it runs on, open it there, and choose "
           "a passphrase first.")
LOCKED = ("There were too many wrong passphrases from this device. Wait fifteen minutes, then try "
          "again.")
WRONG = "This is not the passphrase."
BUSY = "Many screens sign in just now. Wait a moment, then try again."

STYLE = """
:root { color-scheme: light dark; }
body { margin: 0; min-height: 100dvh; display: grid; place-items: center; padding: 16px;
  box-sizing: border-box; background: #e6ebf4; color: #14213d;
  font: 17px/1.4 system-ui, sans-serif; }
main { background: #fff; border: 2px solid #1d3f8f; border-radius: 16px; padding: 24px;
  width: min(400px, 100%); box-sizing: border-box; }
h1 { margin: 0 0 4px; font-size: 26px; color: #1d3f8f; }
label { display: block; font-weight: 700; margin: 14px 0 4px; }
input { width: 100%; box-sizing: border-box; font: inherit; padding: 10px; min-height: 46px;
  border: 1px solid #5a6785; border-radius: 8px; background: #fff; color: #14213d; }
button { font: inherit; font-weight: 700; margin-top: 18px; min-height: 46px; padding: 0 20px;
  border: 0; border-radius: 8px; background: #1d3f8f; color: #fff; }
:focus-visible { outline: 3px solid #ffcf5c; outline-offset: 2px; }
.said { border-left: 4px solid #b3361b; padding-left: 10px; }
@media (prefers-color-scheme: dark) {
  body { background: #0f172b; color: #e8edf8; } main { background: #182341; }
  h1 { color: #b9ccff; } input { background: #0f172b; color: #e8edf8; }
  button { background: #b9ccff; color: #0f172b; } }
"""


HERE, ELSEWHERE = Turn(), Turn()
"""Who sits at this machine waits for nobody elsewhere."""


@never_cache
@csrf_protect
def sign_in(request: HttpRequest) -> HttpResponse:
    """Ask for the passphrase; the first time, on the machine itself, let one be chosen."""
    after = _after(request)
    if request.user.is_authenticated:
        return HttpResponseRedirect(after)
    if not has_passphrase():
        return _choose(request, after)
    if request.method != "POST":
        return _page(request, _form(request, after))
    given = request.POST.get("passphrase", "")[:LONGEST]
    turn = HERE if is_here(request) else ELSEWHERE
    if not turn.come():
        return _page(request, _form(request, after, said=BUSY), status=503)
    try:
        user = authenticate(request, username=WHO, password=given)
    finally:
        turn.go()
    if user is None:
        return _page(request, _form(request, after, said=WRONG), status=403)
    login(request, user)
    return HttpResponseRedirect(after)


def locked_out(request: HttpRequest, *_more: object, **_others: object) -> HttpResponse:
    """Say that somebody has to wait."""
    return _page(request, f'<p class="said">{LOCKED}</p>', status=429)


def stale(request: HttpRequest, reason: str = "") -> HttpResponse:
    """Say that the page lay open too long, or that another page sent this."""
    del reason
    return _page(request, '<p class="said">This page lay open too long.</p>'
                 '<p><a href="/sign-in">Open it again</a></p>', status=403)


def _choose(request: HttpRequest, after: str) -> HttpResponse:
    if not is_here(request):
        return _page(request, f"<p>{NOT_YET}</p>", status=403)
    if request.method != "POST":
        return _page(request, _form(request, after, first=True))
    given, again = (request.POST.get(name, "")[:LONGEST] for name in ("passphrase", "again"))
    said = "The two are not the same." if given != again else ""
    if not said:
        try:
            validate_password(given)
        except ValidationError as error:
            said = " ".join(error.messages).replace("password", "passphrase")
    if said:
        return _page(request, _form(request, after, said=said, first=True), status=422)
    set_passphrase(given)
    login(request, User.objects.get(username=WHO),
          backend="django.contrib.auth.backends.ModelBackend")
    return HttpResponseRedirect(after)


def _after(request: HttpRequest) -> str:
    """Return where to go once signed in: a page of this kitchen and no other."""
    asked = request.POST.get("next") or request.GET.get("next") or "/"
    own = url_has_allowed_host_and_scheme(asked, allowed_hosts=None) and asked.startswith("/")
    return asked if own else "/"


def _form(request: HttpRequest, after: str, *, said: str = "", first: bool = False) -> str:
    wrong = f'<p class="said" role="alert">{escape(said)}</p>' if said else ""
    hint = ("<p>Choose a passphrase for the other screens of this kitchen: ten letters or more, "
            "three or four words are good. It stays on this machine.</p>" if first else "")
    again = ('<label for="again">The same again</label><input id="again" name="again" '
             'type="password" autocomplete="new-password" required>' if first else "")
    kind = "new-password" if first else "current-password"
    return (f'{hint}{wrong}<form method="post" action="/sign-in">'
            f'<input type="hidden" name="csrfmiddlewaretoken" value="{get_token(request)}">'
            f'<input type="hidden" name="next" value="{escape(after)}">'
            f'<label for="passphrase">Passphrase</label><input id="passphrase" name="passphrase" '
            f'type="password" autocomplete="{kind}" autofocus required>{again}'
            f'<button>{"Choose it" if first else "Sign in"}</button></form>')


def _page(request: HttpRequest, inside: str, *, status: int = 200) -> HttpResponse:
    nonce = str(request.csp_nonce)  # type: ignore[attr-defined]  # set by the policy's middleware
    return HttpResponse(
        '<!doctype html><html lang="en"><head><meta charset="utf-8">'
        '<meta name="viewport" content="width=device-width, initial-scale=1">'
        f'<title>Entremet</title><style nonce="{nonce}">{STYLE}</style></head>'
        f"<body><main><h1>entremet</h1>{inside}</main></body></html>", status=status)
