-- Triggers and views stood here. What the database keeps by itself comes from store/derived now, whatever the layout.
DROP TRIGGER IF EXISTS run_event_no_update;
