"""The series: a table in the window, a preview of every row, all of them written."""
