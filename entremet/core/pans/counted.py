"""So many of a pan, as a baker counts them: pans one by one, what is in trays by the well."""

from __future__ import annotations


def count_words(count: int, label: str, wells: int = 1) -> str:
    """Return how many of a pan, in words; 24 of a tray of 12 are two trays and no 24.

    Parameters
    ----------
    count : int
        Pans; wells, for a tray.
    label : str
        What the pan is called.
    wells : int
        Of one tray; 1 for any other pan.

    >>> count_words(1, "Round 20"), count_words(2, "Round 20")
    ('Round 20', '2 × Round 20')
    >>> count_words(24, "Tray of 12", 12), count_words(8, "Tray of 12", 12)
    ('24 wells of Tray of 12', '8 wells of Tray of 12')
    """
    if wells > 1:
        return f"{count} {'well' if count == 1 else 'wells'} of {label}"
    return label if count == 1 else f"{count} × {label}"
