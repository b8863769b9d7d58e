"""Where other screens find the kitchen: an address that can be typed into them."""

from __future__ import annotations

import pytest

from entremet.kitchen.actions import sharing


@pytest.mark.parametrize(("tls", "scheme"), [(True, "https"), (False, "http")])
def test_every_address_of_the_machine_is_told_with_its_door(settings, monkeypatch, tls, scheme):
    settings.TLS, settings.OTHERS_PORT = tls, 8123
    monkeypatch.setattr(sharing, "own_addresses", lambda: ["192.168.1.7", "10.0.0.4"])
    assert sharing.addresses_of_others() == [f"{scheme}://192.168.1.7:8123",
                                             f"{scheme}://10.0.0.4:8123"]
