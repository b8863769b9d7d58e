"""How long a finished cake keeps, where, and when it is taken out."""
