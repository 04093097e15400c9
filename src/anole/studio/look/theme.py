"""Colours, type and the style sheet of the window, dark and light."""

from __future__ import annotations

from importlib.resources import files
from pathlib import Path
from typing import NamedTuple

from PyQt6.QtGui import QColor, QFont, QFontDatabase, QPalette
from PyQt6.QtWidgets import QApplication, QWidget

FAMILY = "Inter"


class Theme(NamedTuple):
    """`leaf` marks what is chosen, `coral` the one main action, `lamp` the lamp alone."""

    name: str
    desk: str
    panel: str
    raised: str
    sunk: str
    line: str
    text: str
    dim: str
    leaf: str
    on_leaf: str
    coral: str
    on_coral: str
    lamp: str
    ground: str
    letter: str


DARK = Theme(
    "dark",
    "#1b1d1a",
    "#232722",
    "#2f362e",
    "#191c18",
    "#465044",
    "#ecefe7",
    "#aeb6a8",
    "#9fd356",
    "#16200b",
    "#ff7d6b",
    "#2b0a05",
    "#ffd166",
    "#23323a",
    "#3d352c",
)
LIGHT = Theme(
    "light",
    "#d9dcd2",
    "#f3f5ee",
    "#ffffff",
    "#e4e8dd",
    "#9ea897",
    "#1d231b",
    "#535c4e",
    "#3f7d12",
    "#ffffff",
    "#c4321e",
    "#ffffff",
    "#b27a00",
    "#c8d8de",
    "#d8cbb8",
)

DRESSED = "dressed"
"""The property of widgets that have the style sheet."""
_current = DARK
_put_on = False


def theme() -> Theme:
    """The theme that the window wears."""
    return _current


def colour(name: str, alpha: float = 1.0) -> QColor:
    """A theme colour by its name, for painting."""
    found = QColor(getattr(_current, name))
    found.setAlphaF(alpha)
    return found


def font(px: int = 13, bold: bool = False) -> QFont:
    """The window's own letters at a size."""
    face = QFont(FAMILY)
    face.setPixelSize(px)
    face.setWeight(QFont.Weight.DemiBold if bold else QFont.Weight.Normal)
    return face


def _sheet(t: Theme) -> str:
    return f"""
    * {{ font-family: {FAMILY}; font-size: 13px; color: {t.text}; outline: 0; }}
    QWidget#desk, QStackedWidget#desk {{ background: {t.desk}; }}
    QWidget#panel, QScrollArea#panel, QWidget#bar {{ background: {t.panel}; border: 0; }}
    QLabel {{ background: transparent; }}
    QLabel#dim {{ color: {t.dim}; font-size: 12px; }}
    QLabel#head {{ font-weight: 600; font-size: 14px; }}
    QLabel#group {{ font-weight: 600; font-size: 12px; color: {t.dim}; padding-top: 6px; }}
    QPushButton {{ background: {t.raised}; border: 1px solid {t.line}; border-radius: 6px;
        padding: 4px 10px; min-height: 18px; }}
    QPushButton:hover {{ border-color: {t.dim}; }}
    QPushButton:pressed {{ background: {t.sunk}; }}
    QPushButton:disabled {{ color: {t.dim}; border-color: {t.raised}; }}
    QPushButton:focus {{ border-color: {t.leaf}; }}
    QPushButton:checked {{ background: {t.leaf}; color: {t.on_leaf}; border-color: {t.leaf}; }}
    QPushButton#main {{ background: {t.coral}; color: {t.on_coral}; border: 1px solid {t.coral};
        font-weight: 600; padding: 4px 18px; }}
    QPushButton#main:focus {{ border-color: {t.text}; }}
    QPushButton#stage {{ border-radius: 14px; padding: 4px 18px; border-color: transparent;
        font-weight: 600; }}
    QPushButton#stage:checked {{ background: {t.leaf}; color: {t.on_leaf}; }}
    QPushButton#stage:focus {{ border-color: {t.text}; }}
    QPushButton#quiet {{ background: transparent; border-color: transparent; padding: 4px 8px; }}
    QPushButton#quiet:hover {{ border-color: {t.line}; }}
    QPushButton#quiet:focus {{ border-color: {t.leaf}; }}
    QLineEdit, QPlainTextEdit, QComboBox {{ background: {t.raised}; border: 1px solid {t.line};
        border-radius: 5px; padding: 3px 7px; selection-background-color: {t.leaf};
        selection-color: {t.on_leaf}; }}
    QPlainTextEdit#words {{ font-size: 26px; font-weight: 600; padding: 4px 10px; }}
    QAbstractScrollArea#wall {{ background: transparent; }}
    QLineEdit, QComboBox {{ min-height: 18px; }}
    QLineEdit#number {{ padding: 3px 4px; }}
    QLineEdit#rail {{ padding: 3px 8px; background: transparent; }}
    QLineEdit:focus, QPlainTextEdit:focus, QComboBox:focus {{ border-color: {t.leaf}; }}
    QComboBox::drop-down {{ width: 18px; border: 0; }}
    QComboBox QAbstractItemView, QMenu {{ background: {t.raised}; border: 1px solid {t.line};
        padding: 4px; selection-background-color: {t.leaf}; selection-color: {t.on_leaf}; }}
    QMenuBar {{ background: transparent; spacing: 0px; }}
    QMenuBar::item {{ background: transparent; padding: 5px 7px; spacing: 0px; border-radius: 5px; }}
    QMenuBar::item:selected, QMenuBar::item:pressed {{ background: {t.raised}; }}
    QFrame#sheet {{ background: {t.panel}; border: 1px solid {t.line}; border-radius: 10px; }}
    QMenu::item {{ padding: 5px 22px 5px 12px; border-radius: 4px; }}
    QMenu::item:selected {{ background: {t.leaf}; color: {t.on_leaf}; }}
    QMenu::item:disabled {{ color: {t.dim}; }}
    QMenu::separator {{ height: 1px; background: {t.line}; margin: 4px 8px; }}
    QScrollBar:vertical {{ background: transparent; width: 10px; margin: 0; }}
    QScrollBar::handle:vertical {{ background: {t.line}; border-radius: 4px; min-height: 30px;
        margin: 1px; }}
    QScrollBar:horizontal {{ background: transparent; height: 10px; margin: 0; }}
    QScrollBar::handle:horizontal {{ background: {t.line}; border-radius: 4px; min-width: 30px;
        margin: 1px; }}
    QScrollBar::add-line, QScrollBar::sub-line {{ width: 0; height: 0; }}
    QScrollBar::add-page, QScrollBar::sub-page {{ background: transparent; }}
    QToolTip {{ background: {t.raised}; color: {t.text}; border: 1px solid {t.line};
        padding: 4px 6px; }}
    QSplitter::handle {{ background: {t.desk}; }}
    QSplitter::handle:hover {{ background: {t.leaf}; }}
    QProgressBar {{ background: {t.sunk}; border: 1px solid {t.line}; border-radius: 5px;
        text-align: center; max-height: 16px; }}
    QProgressBar::chunk {{ background: {t.leaf}; border-radius: 4px; }}
    """


def load_fonts() -> None:
    """The window's own font, from the files that come with Anole."""
    folder = Path(str(files("anole") / "data" / "fonts"))
    for path in folder.glob("Inter_*.ttf"):
        QFontDatabase.addApplicationFont(str(path))


def is_on(wanted: Theme) -> bool:
    """Whether the application is dressed in this theme."""
    return _put_on and wanted is _current


def put_on(app: QApplication, wanted: Theme) -> None:
    """Dress the application."""
    global _current, _put_on
    if not _put_on:
        # either makes every widget there is look for all of its style anew: seconds in a window in use
        app.setStyle("Fusion")
        app.setFont(font())
    _current, _put_on = wanted, True
    palette = QPalette()
    for role, name in (
        (QPalette.ColorRole.Window, wanted.panel),
        (QPalette.ColorRole.Base, wanted.raised),
        (QPalette.ColorRole.WindowText, wanted.text),
        (QPalette.ColorRole.Text, wanted.text),
        (QPalette.ColorRole.Button, wanted.raised),
        (QPalette.ColorRole.ButtonText, wanted.text),
        (QPalette.ColorRole.Highlight, wanted.leaf),
        (QPalette.ColorRole.HighlightedText, wanted.on_leaf),
        (QPalette.ColorRole.PlaceholderText, wanted.dim),
    ):
        palette.setColor(role, QColor(name))
    app.setPalette(palette)
    for top in app.topLevelWidgets():
        if top.property(DRESSED):
            dress(top)


def dress(top: QWidget) -> None:
    """A window, or a popup that belongs to none, from now on in the theme with all that is in it.

    Once it is built: an application's style sheet would be looked through again for each widget and
    all within whenever it is put into another, which takes most of the time of a start.
    """
    top.setProperty(DRESSED, True)
    top.setStyleSheet(_sheet(_current))
