"""Where pieces stand: placements, poses, frames of pictures, the view they are asked in."""
