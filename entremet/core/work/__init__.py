"""The work of a cake: pieces with their ids, what each holds, waits for and takes in minutes."""
