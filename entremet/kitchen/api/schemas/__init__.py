"""Schemas: the shapes that go in and out."""
