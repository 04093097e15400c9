"""A look read off a picture: finished lettering goes in, what it was made of comes out."""
