-- A revision, once written, stays as it is.
CREATE TRIGGER `revisions_never_change` BEFORE UPDATE ON `revisions`
BEGIN
  SELECT RAISE(ABORT, 'revisions are append-only');
END;
--> statement-breakpoint
CREATE TRIGGER `revisions_never_go` BEFORE DELETE ON `revisions`
BEGIN
  SELECT RAISE(ABORT, 'revisions are append-only');
END;
