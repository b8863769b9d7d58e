"""The program's own settings with a passphrase hashed in no time: the real one takes a third of a
second of a core each time, as it has to.
"""

import os
from pathlib import Path

from entremet.site.settings import *  # noqa: F403  # settings are taken whole

PASSWORD_HASHERS = ["django.contrib.auth.hashers.MD5PasswordHasher"]

if PAGES := os.environ.get("ENTREMET_TEST_PAGES"):
    # Pages of another build, for an update.
    FRONT_END = Path(PAGES)
    STATICFILES_DIRS = [FRONT_END]
