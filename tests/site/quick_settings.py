"""The program's own settings with a passphrase hashed in no time: the real one takes a third of a
second of a core each time, as it has to.
"""

from entremet.site.settings import *  # noqa: F403  # settings are taken whole

PASSWORD_HASHERS = ["django.contrib.auth.hashers.MD5PasswordHasher"]
