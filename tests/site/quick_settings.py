"""The program's own settings with a passphrase hashed in no time, where the real one takes a third
of a second of a core as it has to, and with rooms that are loaded when they are asked for.
"""

import os
from pathlib import Path

from entremet.site.settings import *  # noqa: F403  # settings are taken whole

LOADED_AHEAD = False
PASSWORD_HASHERS = ["django.contrib.auth.hashers.MD5PasswordHasher"]

if PAGES := os.environ.get("ENTREMET_TEST_PAGES"):
    # Pages of another build, for an update.
    FRONT_END = Path(PAGES)
    STATICFILES_DIRS = [FRONT_END]
