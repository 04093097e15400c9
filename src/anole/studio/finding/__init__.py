"""The finder: one field that finds all that can be done, changed, put on or opened, by any word for it.

What can be found is made from what declares itself: menus, kinds, fields, styles, fonts; the trade's
other words for them stand in one table.
"""
