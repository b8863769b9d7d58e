"""The door of a kitchen that is open to its own network: who is let in, and how."""
