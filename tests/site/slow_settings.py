"""Settings of the tests' program that takes its time over a passphrase, without any work."""

import time

from django.contrib.auth.hashers import MD5PasswordHasher

from tests.site.quick_settings import *  # noqa: F403  # settings are taken whole

LONG_S = 0.5


class Slow(MD5PasswordHasher):
    """Takes its time."""

    algorithm = "slow"

    def verify(self, password: str, encoded: str) -> bool:
        """Look, and take long."""
        time.sleep(LONG_S)
        return super().verify(password, encoded)


PASSWORD_HASHERS = ["tests.site.slow_settings.Slow"]
