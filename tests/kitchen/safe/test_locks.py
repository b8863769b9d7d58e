"""One program alone has a kitchen: by the lock of Unix, and by that of Windows."""

from __future__ import annotations

import os
from threading import Thread
from types import SimpleNamespace

import pytest

from entremet.kitchen.safe import locks


def opened(path):
    return os.open(path, os.O_RDWR | os.O_CREAT, 0o644)


def test_a_second_one_is_refused_until_the_first_has_ended(tmp_path):
    first, second = opened(tmp_path / "a.lock"), opened(tmp_path / "a.lock")
    locks.take_lock(first, wait=False)
    with pytest.raises(OSError, match=r"unavailable|denied"):
        locks.take_lock(second, wait=False)
    os.close(first)
    locks.take_lock(second, wait=False)
    os.close(second)


def test_whoever_waits_has_it_once_it_is_free(tmp_path):
    first, second = opened(tmp_path / "a.lock"), opened(tmp_path / "a.lock")
    locks.take_lock(first, wait=True)
    waiting = Thread(target=locks.take_lock, args=(second,), kwargs={"wait": True})
    waiting.start()
    waiting.join(0.2)
    assert waiting.is_alive()
    os.close(first)
    waiting.join(5)
    assert not waiting.is_alive()
    os.close(second)


class Windows(SimpleNamespace):
    """The locks of Windows as they are documented: a byte from where the file stands."""

    LK_NBLCK = 2

    def __init__(self, refuses: int) -> None:
        super().__init__(refuses=refuses, asked=[])

    def locking(self, lock: int, how: int, length: int) -> None:
        self.asked.append((os.lseek(lock, 0, os.SEEK_CUR), how, length))
        if len(self.asked) <= self.refuses:
            raise OSError("permission denied")


def test_on_windows_it_is_the_first_byte_asked_for_until_it_is_free(tmp_path, monkeypatch):
    monkeypatch.setattr(locks, "TRY_AGAIN_S", 0)
    lock = opened(tmp_path / "a.lock")
    os.write(lock, b"abc")
    windows = Windows(refuses=2)
    locks._take_first_byte(lock, windows, wait=True)
    assert windows.asked == [(0, 2, 1)] * 3
    with pytest.raises(OSError, match=r"unavailable|denied"):
        locks._take_first_byte(lock, Windows(refuses=1), wait=False)
    os.close(lock)


def test_without_the_locks_of_unix_those_of_windows_are_taken(tmp_path, monkeypatch):
    import sys

    windows = Windows(refuses=0)
    monkeypatch.setattr(locks, "fcntl", None)
    monkeypatch.setitem(sys.modules, "msvcrt", windows)
    lock = opened(tmp_path / "a.lock")
    locks.take_lock(lock, wait=False)
    assert len(windows.asked) == 1
    os.close(lock)
