"""Settings. Environment: ENTREMET_KITCHEN names the database file, ENTREMET_DATA its folder (else
``var`` in a checkout, the user's own data folder where the program is installed),
ENTREMET_SHARE=1 opens the kitchen to its own network, ENTREMET_TLS=1 encrypts what goes over it.
"""

from __future__ import annotations

import os
import secrets
from datetime import timedelta

from csp.constants import NONCE, NONE, SELF

from entremet.places import data_folder, front_end, papers

DATA = data_folder()
KITCHEN = os.environ.get("ENTREMET_KITCHEN", "kitchen")
FRONT_END = front_end()
PAPERS = papers()

SHARED = os.environ.get("ENTREMET_SHARE") == "1"
TLS = SHARED and os.environ.get("ENTREMET_TLS") == "1"
# Known once it listens: the port others use, and the certificate they are to see.
OTHERS_PORT, FINGERPRINT = "", ""
# Sessions outlive a start only where there are any; the key lies beside the kitchen then.
SECRET_KEY = os.environ.get("ENTREMET_SECRET_KEY") or secrets.token_urlsafe(48)
DEBUG = False
# Hosts are looked at by our own guards on every request: see entremet.site.door.hosts.
ALLOWED_HOSTS = ["*"]
OTHER_NAMES = frozenset() if SHARED else frozenset({"testserver"})

INSTALLED_APPS = ["django.contrib.staticfiles", "entremet.kitchen"]
DOOR_APPS = ["django.contrib.contenttypes", "django.contrib.auth", "django.contrib.sessions",
             "axes"]
GUARDS = ["csp.middleware.CSPMiddleware", "entremet.site.guards.Guards"]
DOOR = ["django.contrib.sessions.middleware.SessionMiddleware",
        "django.contrib.auth.middleware.AuthenticationMiddleware",
        "axes.middleware.AxesMiddleware", "entremet.site.door.gate.Gate"]
ROOMS = ["whitenoise.middleware.WhiteNoiseMiddleware", "django.middleware.common.CommonMiddleware",
         "entremet.kitchen.api.habits.Worded"]
if SHARED:
    INSTALLED_APPS += DOOR_APPS
MIDDLEWARE = [*GUARDS, *(DOOR if SHARED else []), *ROOMS]
CONTENT_SECURITY_POLICY = {"DIRECTIVES": {
    "default-src": [NONE], "script-src": [SELF], "style-src": [SELF, NONCE],
    "img-src": [SELF, "data:", "blob:"], "worker-src": [SELF],
    "font-src": [SELF], "manifest-src": [SELF], "connect-src": [SELF],
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
if SHARED:
    DATABASES["access"] = {
        "ENGINE": "django.db.backends.sqlite3", "NAME": DATA / f"{KITCHEN}.access.sqlite3",
        "CONN_MAX_AGE": None, "OPTIONS": {
            "transaction_mode": "IMMEDIATE", "timeout": 2,
            "init_command": "PRAGMA journal_mode=WAL; PRAGMA synchronous=NORMAL;"}}
    DATABASE_ROUTERS = ["entremet.site.door.apart.Apart"]

AUTHENTICATION_BACKENDS = ["axes.backends.AxesStandaloneBackend",
                           "django.contrib.auth.backends.ModelBackend"]
AUTH_PASSWORD_VALIDATORS = [
    {"NAME": "django.contrib.auth.password_validation.MinimumLengthValidator",
     "OPTIONS": {"min_length": 10}},
    {"NAME": "django.contrib.auth.password_validation.CommonPasswordValidator"}]
LOGIN_URL = "/sign-in"
SESSION_COOKIE_NAME, SESSION_COOKIE_SAMESITE, SESSION_COOKIE_HTTPONLY = "entremet", "Strict", True
SESSION_COOKIE_AGE = 60 * 60 * 24 * 30
CSRF_COOKIE_NAME, CSRF_COOKIE_SAMESITE, CSRF_COOKIE_HTTPONLY = "entremet_form", "Strict", True
AXES_FAILURE_LIMIT, AXES_COOLOFF_TIME = 10, timedelta(minutes=15)
AXES_LOCKOUT_PARAMETERS = ["ip_address"]
AXES_RESET_ON_SUCCESS = True
AXES_LOCKOUT_CALLABLE = "entremet.site.door.sign_in.locked_out"
AXES_DISABLE_ACCESS_LOG = True
AXES_VERBOSE = False
if SHARED:
    CSRF_FAILURE_VIEW = "entremet.site.door.sign_in.stale"

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

# All rooms are loaded while the browser opens its page, not when one is first asked for.
LOADED_AHEAD = True

# A saved page of 3 000 000 signs, the most an import takes, in UTF-8 and with JSON's escapes.
DATA_UPLOAD_MAX_MEMORY_SIZE = 12_000_000

LOGGING = {
    "version": 1,
    "disable_existing_loggers": False,
    "handlers": {"console": {"class": "logging.StreamHandler"}},
    "root": {"handlers": ["console"], "level": "WARNING"},
    "loggers": {"waitress.queue": {"level": "ERROR"}, "django.request": {"level": "ERROR"},
                "axes": {"level": "ERROR"}, "django.security.csrf": {"level": "ERROR"}},
}
