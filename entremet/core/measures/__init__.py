"""Quantities as bakers write and read them: fractions, units, spoons, cups, scale steps."""
