"""What drawings share: the frame from metres to the sheet, the ground, labels that keep clear."""
