"""A real window on a real display server."""

from .real_window import run

SCRIPT = """
import sys
from PyQt6.QtCore import QTimer
from anole.studio.app import application
from anole.studio.documents.board_files import demo_folder
from anole.studio.main_window.window import Window
app = application()
window = Window()
window.files.open_copy(demo_folder() / "bout-night.anole")
window.show()
def done():
    if window.view.frame is None:
        QTimer.singleShot(300, done)
        return
    assert app.platformName() == "xcb", app.platformName()
    window.show_stage(1)
    image = window.screen().grabWindow(window.winId()).toImage()
    assert image.width() >= 1100
    print("window up", image.width(), image.height())
    window.leave()
window.files.opened.connect(lambda: QTimer.singleShot(600, done))
sys.exit(app.exec())
"""


def test_a_real_window_under_xvfb():
    assert "window up" in run(SCRIPT)
