"""Speed, as ratios to a reference measured in the same run: ./run bench"""
