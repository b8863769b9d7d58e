"""What ingredients weigh: the reference table, and eggs by grade."""
