"""Courses and greens are rows, and what lies on them names them by number.

A putt's place was one text. It lies on the longest course of its golfer's that the text begins with; where
they have none such the words before the first comma are the course.
"""

import sqlalchemy as sa
from alembic import op

revision = "2026_11_26_courses"
down_revision = "2026_11_26_open_play"
branch_labels = None
depends_on = None

NAME_LENGTH = 80
PLACED = """
CREATE TEMPORARY TABLE placed ON COMMIT DROP AS
SELECT cut.id, cut.golfer_id, cut.course,
  trim(both ', ' FROM substr(cut.place, length(cut.course) + 1)) AS green
FROM (
  SELECT p.id, p.golfer_id, p.place, coalesce(known.name, split_part(p.place, ',', 1)) AS course
  FROM (SELECT id, golfer_id, trim(both ', ' FROM place) AS place FROM logged_putts) AS p
  LEFT JOIN LATERAL (
    SELECT left(p.place, length(c.name)) AS name FROM courses AS c
    WHERE c.golfer_id = p.golfer_id AND folded(left(p.place, length(c.name))) = folded(c.name)
      AND substr(p.place, length(c.name) + 1, 1) IN ('', ',')
    ORDER BY length(c.name) DESC LIMIT 1
  ) AS known ON true
  WHERE p.place <> ''
) AS cut
"""
COURSES = """
INSERT INTO courses (golfer_id, name)
SELECT DISTINCT ON (golfer_id, folded(course)) golfer_id, course FROM {table}
ORDER BY golfer_id, folded(course), id DESC
ON CONFLICT DO NOTHING
"""
GREENS = """
INSERT INTO greens (golfer_id, course_id, name)
SELECT DISTINCT ON (c.id, folded(t.green)) c.golfer_id, c.id, t.green
FROM {table} AS t JOIN courses AS c ON c.golfer_id = t.golfer_id AND folded(c.name) = folded(t.course)
WHERE t.green <> ''
ORDER BY c.id, folded(t.green), t.id DESC
ON CONFLICT DO NOTHING
"""
LAID = """
UPDATE {table} AS t SET course_id = c.id, green_id = g.id
FROM {source} AS s
JOIN courses AS c ON c.golfer_id = s.golfer_id AND folded(c.name) = folded(s.course)
LEFT JOIN greens AS g ON g.course_id = c.id AND folded(g.name) = folded(s.green)
WHERE s.id = t.id
"""
NAMED = """
UPDATE {table} AS t SET {texts}
FROM {table} AS s LEFT JOIN courses AS c ON c.id = s.course_id LEFT JOIN greens AS g ON g.id = s.green_id
WHERE s.id = t.id
"""
SPEED_TEXTS = "course = left(c.name, 50), green = left(coalesce(g.name, ''), 28)"
PUTT_TEXT = "place = left(concat_ws(', ', c.name, g.name), 80)"


def upgrade() -> None:
    _create_tables()
    for table in ("speed_notes", "logged_putts"):
        for column, other in (("course_id", "courses"), ("green_id", "greens")):
            op.add_column(table, sa.Column(column, sa.BigInteger))
            op.create_foreign_key(op.f(f"fk_{table}_{column}"), table, other, [column], ["id"])
            op.create_index(f"ix_{table}_{column}", table, [column])
    op.execute(COURSES.format(table="speed_notes"))
    op.execute(PLACED)
    op.execute(COURSES.format(table="placed"))
    for table in ("speed_notes", "placed"):
        op.execute(GREENS.format(table=table))
    op.execute(LAID.format(table="speed_notes", source="speed_notes"))
    op.execute(LAID.format(table="logged_putts", source="placed"))
    op.alter_column("speed_notes", "course_id", nullable=False)
    op.drop_column("speed_notes", "course")
    op.drop_column("speed_notes", "green")
    op.drop_index("ix_logged_putts_newest", table_name="logged_putts")
    op.drop_column("logged_putts", "place")
    _create_log_index(["course_id", "green_id", "holed"])


def downgrade() -> None:
    op.drop_index("ix_logged_putts_newest", table_name="logged_putts")
    for table, column, length in (
        ("speed_notes", "course", 50),
        ("speed_notes", "green", 28),
        ("logged_putts", "place", 80),
    ):
        op.add_column(table, sa.Column(column, sa.String(length), nullable=False, server_default=""))
    op.execute(NAMED.format(table="speed_notes", texts=SPEED_TEXTS))
    op.execute(NAMED.format(table="logged_putts", texts=PUTT_TEXT))
    op.alter_column("speed_notes", "course", server_default=None)
    for table in ("speed_notes", "logged_putts"):
        op.drop_column(table, "green_id")
        op.drop_column(table, "course_id")
    op.drop_table("greens")
    op.drop_table("courses")
    _create_log_index(["place", "holed"])


def _create_tables() -> None:
    course = sa.ForeignKey("courses.id", name="fk_greens_course_id", ondelete="CASCADE")
    _create_named("courses", "golfer_id")
    _create_named("greens", "course_id", sa.Column("course_id", sa.BigInteger, course, nullable=False))


def _create_named(table: str, owner: str, *columns: sa.Column[int]) -> None:
    """Create a table of names that each owner has once."""
    golfer = sa.ForeignKey("golfers.id", name=f"fk_{table}_golfer_id", ondelete="CASCADE")
    op.create_table(
        table,
        sa.Column("id", sa.BigInteger, sa.Identity(), primary_key=True),
        sa.Column("golfer_id", sa.BigInteger, golfer, nullable=False),
        sa.Column("key", sa.Uuid, nullable=False, server_default=sa.text("gen_random_uuid()")),
        sa.Column("name", sa.String(NAME_LENGTH), nullable=False),
        *columns,
        sa.CheckConstraint("name <> ''", name="name"),
        sa.UniqueConstraint("golfer_id", "key", name=f"uq_{table}_golfer_id_key"),
    )
    op.create_index(f"uq_{table}_{owner}_name", table, [owner, sa.text("folded(name)")], unique=True)


def _create_log_index(included: list[str]) -> None:
    op.create_index(
        "ix_logged_putts_newest",
        "logged_putts",
        ["golfer_id", sa.text("created_at DESC"), sa.text("id DESC")],
        postgresql_include=included,
        postgresql_where=sa.text("deleted_at IS NULL"),
    )
