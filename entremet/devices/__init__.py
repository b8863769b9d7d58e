"""Simulated stand-ins for a kitchen scale and an oven probe. Nothing of the job is decided here."""
