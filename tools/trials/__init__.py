"""Trials of trust: mutated files, kills amid work, long random lives; ./run check --deep"""
