"""A certificate made on this machine, so that a passphrase does not go over the air as it is."""

from __future__ import annotations

import ipaddress
import os
import ssl
from datetime import datetime, timedelta
from pathlib import Path

LASTS = timedelta(days=730)
LEAST_LEFT = timedelta(days=30)


def certificate(path: Path, *, addresses: list[str], names: list[str],
                now: datetime) -> tuple[ssl.SSLContext, str]:
    """Return what encrypts with this kitchen's own certificate, and its fingerprint.

    It is made once, beside the kitchen, readable by its owner alone, and anew when it has a month
    left. Other screens warn of it once: nobody vouches for it, so they are to compare the
    fingerprint, SHA-256 in pairs of hexadecimal digits.

    Parameters
    ----------
    path : Path
        Where it lies, key and certificate in one file.
    addresses, names : list of str
        How this machine is called.
    now : datetime
        Aware.
    """
    from cryptography import x509
    from cryptography.hazmat.primitives import hashes

    try:
        known = x509.load_pem_x509_certificate(path.read_bytes())
        fresh = known.not_valid_after_utc - now > LEAST_LEFT
    except (OSError, ValueError):
        fresh = False
    if not fresh:
        path.unlink(missing_ok=True)
        with os.fdopen(os.open(path, os.O_WRONLY | os.O_CREAT | os.O_EXCL, 0o600), "wb") as file:
            file.write(_made(addresses, names, now))
        known = x509.load_pem_x509_certificate(path.read_bytes())
    context = ssl.SSLContext(ssl.PROTOCOL_TLS_SERVER)
    context.minimum_version = ssl.TLSVersion.TLSv1_2
    context.load_cert_chain(path)
    return context, known.fingerprint(hashes.SHA256()).hex(":").upper()


def _made(addresses: list[str], names: list[str], now: datetime) -> bytes:
    from cryptography import x509
    from cryptography.hazmat.primitives import hashes, serialization
    from cryptography.hazmat.primitives.asymmetric import ec
    from cryptography.x509.oid import NameOID

    key = ec.generate_private_key(ec.SECP256R1())
    who = x509.Name([x509.NameAttribute(NameOID.COMMON_NAME, "Entremet on this network")])
    called = [*(x509.DNSName(one) for one in names),
              *(x509.IPAddress(ipaddress.ip_address(one)) for one in addresses)]
    made = (x509.CertificateBuilder().subject_name(who).issuer_name(who)
            .public_key(key.public_key()).serial_number(x509.random_serial_number())
            .not_valid_before(now - timedelta(days=1)).not_valid_after(now + LASTS)
            .add_extension(x509.SubjectAlternativeName(called), critical=False)
            .add_extension(x509.BasicConstraints(ca=False, path_length=None), critical=True)
            .sign(key, hashes.SHA256()))
    return key.private_bytes(
        serialization.Encoding.PEM, serialization.PrivateFormat.PKCS8,
        serialization.NoEncryption()) + made.public_bytes(serialization.Encoding.PEM)
