"""What hands do on the board while pieces are placed: pulling, turning, typing, stamps, pools, crops."""
