"""Boards, pictures and styles on disk."""
