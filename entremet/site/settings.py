"""Settings. Environment: ENTREMET_KITCHEN names the database file, ENTREMET_DATA its folder."""

from __future__ import annotations

import os
import secrets
from pathlib import Path

from csp.constants import NONCE, NONE, SELF

ROOT = Path(__file__).resolve().parents[2]
DATA = Path(os.environ.get("ENTREMET_DATA", ROOT / "var"))
KITCHEN = os.environ.get("ENTREMET_KITCHEN", "kitchen")
FRONT_END = ROOT / "frontend" / "dist"

# Nothing is signed that outlives a start: no sessions, no accounts.
SECRET_KEY = os.environ.get("ENTREMET_SECRET_KEY") or secrets.token_urlsafe(48)
DEBUG = False
ALLOWED_HOSTS = ["127.0.0.1", "localhost", "testserver"]

INSTALLED_APPS = ["django.contrib.staticfiles", "entremet.kitchen"]
MIDDLEWARE = [
    "csp.middleware.CSPMiddleware",
    "entremet.site.guards.Guards",
    "whitenoise.middleware.WhiteNoiseMiddleware",
    "django.middleware.common.CommonMiddleware",
]
CONTENT_SECURITY_POLICY = {"DIRECTIVES": {
    "default-src": [NONE], "script-src": [SELF], "style-src": [SELF, NONCE],
    "img-src": [SELF, "data:", "blob:"], "worker-src": [SELF],
    "font-src": [SELF], "connect-src": [SELF],
    "base-uri": [NONE], "form-action": [SELF], "frame-ancestors": [NONE], "object-src": [NONE]}}
ROOT_URLCONF = "entremet.site.urls"
WSGI_APPLICATION = "entremet.site.wsgi.application"
APPEND_SLASH = False

DATABASES = {
    "default": {
        "ENGINE": "django.db.backends.sqlite3",
        "NAME": DATA / f"{KITCHEN}.sqlite3",
        "CONN_MAX_AGE": None,
        "OPTIONS": {
            "transaction_mode": "IMMEDIATE",
            # How long somebody else's lock is waited for: a write of ours takes milliseconds.
            "timeout": 2,
            # FULL: a kitchen that loses power keeps every fit it was told is kept. The log is
            # folded in after every write, so that a plain copy of the file is whole.
            "init_command": "PRAGMA synchronous=FULL; PRAGMA foreign_keys=ON; "
                            "PRAGMA wal_autocheckpoint=1;",
        },
    }
}
DEFAULT_AUTO_FIELD = "django.db.models.BigAutoField"

TIME_ZONE = "UTC"
USE_TZ = True
USE_I18N = False

STATIC_URL = "/static/"
STATICFILES_DIRS = [FRONT_END] if FRONT_END.exists() else []
STORAGES = {
    "default": {"BACKEND": "django.core.files.storage.FileSystemStorage"},
    "staticfiles": {"BACKEND": "django.contrib.staticfiles.storage.StaticFilesStorage"},
}
WHITENOISE_USE_FINDERS = True
WHITENOISE_ALLOW_ALL_ORIGINS = False
WHITENOISE_IMMUTABLE_FILE_TEST = r"^/static/assets/.+-[0-9A-Za-z_-]{8}\..+$"

# A saved page of 3 000 000 signs, the most an import takes, in UTF-8 and with JSON's escapes.
DATA_UPLOAD_MAX_MEMORY_SIZE = 12_000_000

LOGGING = {
    "version": 1,
    "disable_existing_loggers": False,
    "handlers": {"console": {"class": "logging.StreamHandler"}},
    "root": {"handlers": ["console"], "level": "WARNING"},
    "loggers": {"waitress.queue": {"level": "ERROR"}, "django.request": {"level": "ERROR"}},
}
