"""The physics of a rolling putt and every rule of the job, without interface code."""
