"""What golfers share with coaches and clubs, and what coaches leave."""
