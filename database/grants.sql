-- What the application's role may do with the tables that another role owns. Run after each migration; :role is its name.
-- Of append-only tables, which their triggers tell, it may add rows and end that one is the current one, and nothing else.
GRANT USAGE ON SCHEMA public TO :role;
REVOKE ALL ON ALL TABLES IN SCHEMA public FROM :role;
GRANT SELECT, INSERT, UPDATE, DELETE ON ALL TABLES IN SCHEMA public TO :role;
REVOKE INSERT, UPDATE, DELETE ON migrations FROM :role;
GRANT USAGE, SELECT, UPDATE ON ALL SEQUENCES IN SCHEMA public TO :role;
DO $$
DECLARE kept record;
BEGIN
    FOR kept IN
        SELECT t.tgrelid::regclass AS name, bool_or(p.proname = 'only_supersede') AS supersedes
        FROM pg_trigger t JOIN pg_proc p ON p.oid = t.tgfoid
        WHERE p.proname IN ('forbid_change', 'only_supersede') AND t.tgtype & 24 > 0 -- on update or delete
        GROUP BY 1
    LOOP
        EXECUTE format('REVOKE UPDATE, DELETE ON %s FROM :role', kept.name);
        IF kept.supersedes THEN
            EXECUTE format('GRANT UPDATE (superseded_at) ON %s TO :role', kept.name);
        END IF;
    END LOOP;
END $$;
GRANT EXECUTE ON FUNCTION forget_person(char, text, text, text) TO :role;
GRANT EXECUTE ON FUNCTION look_at_grown_tables() TO :role;
