"""What stands in the booth: meshes of our own making and from files, in millimetres. No surface is known here."""
