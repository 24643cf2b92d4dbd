-- Gives what the housekeeper of a cluster from before still owns in this database to its new owner (psql variable "owner").
-- What extensions brought stays as it is.
SELECT format('ALTER SCHEMA %I OWNER TO %I', nspname, :'owner')
FROM pg_namespace WHERE nspowner = 'heron'::regrole AND nspname NOT LIKE 'pg\_%' AND nspname <> 'information_schema'
UNION ALL
SELECT format('ALTER %s %s OWNER TO %I', CASE c.relkind WHEN 'S' THEN 'SEQUENCE' WHEN 'v' THEN 'VIEW' ELSE 'TABLE' END, c.oid::regclass, :'owner')
FROM pg_class c JOIN pg_namespace n ON n.oid = c.relnamespace
WHERE c.relowner = 'heron'::regrole AND c.relkind IN ('r', 'p', 'S', 'v') AND n.nspname NOT LIKE 'pg\_%' AND n.nspname <> 'information_schema'
    AND NOT EXISTS (SELECT FROM pg_depend d WHERE d.objid = c.oid AND d.deptype IN ('a', 'i', 'e'))
UNION ALL
SELECT format('ALTER ROUTINE %s OWNER TO %I', p.oid::regprocedure, :'owner')
FROM pg_proc p JOIN pg_namespace n ON n.oid = p.pronamespace
WHERE p.proowner = 'heron'::regrole AND n.nspname NOT LIKE 'pg\_%' AND n.nspname <> 'information_schema'
    AND NOT EXISTS (SELECT FROM pg_depend d WHERE d.objid = p.oid AND d.deptype = 'e')
\gexec
