"""What a person can put right: everything that is refused raises this, with one sentence that says what and how."""


class InputError(ValueError):
    """Bad use or bad input. Any other error, a ValueError of a library among them, is a fault of the program."""
