"""What keeps the program going: errors nobody expected, work in threads, widgets that come and go."""
