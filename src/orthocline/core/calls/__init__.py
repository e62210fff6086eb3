"""The call in the words of the schools, each from the one solved putt."""
