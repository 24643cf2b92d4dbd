<?php

namespace Tests\Browser;

/** The running copy that browser tests use, with a database of its own. */
final class Server
{
    private const DATABASE = 'heron_browser';

    /** What it is made from, each made once: the tables alone, and the demo. */
    private const EMPTY = 'heron_browser_empty';

    private const DEMO = 'heron_browser_demo';

    /** @var array<string, true> */
    private static array $kept = [];

    public static function fresh(): void
    {
        self::putBack(self::EMPTY, fn () => self::asOwner('migrate:fresh', '--force'));
    }

    public static function demo(): void
    {
        self::putBack(self::DEMO, function (): void {
            self::fresh();
            self::artisan('heron:demo');
            self::psql('heron_owner', self::DATABASE, 'ANALYZE');
        });
    }

    private static function putBack(string $what, \Closure $make): void
    {
        if (isset(self::$kept[$what])) {
            self::copyDatabase($what, self::DATABASE);

            return;
        }
        $make();
        self::copyDatabase(self::DATABASE, $what);
        self::$kept[$what] = true;
    }

    /** As files, which takes a tenth of the time of writing all rows and indexes anew; whoever is connected is sent away. */
    private static function copyDatabase(string $from, string $to): void
    {
        self::psql(
            'heron',
            'postgres',
            "DROP DATABASE IF EXISTS {$to} WITH (FORCE)",
            "ALTER DATABASE {$from} ALLOW_CONNECTIONS false",
            "SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE datname = '{$from}'",
            "CREATE DATABASE {$to} OWNER heron_owner TEMPLATE {$from} STRATEGY file_copy",
            "ALTER DATABASE {$from} ALLOW_CONNECTIONS true",
            "REVOKE ALL ON DATABASE {$to} FROM PUBLIC",
            "GRANT CONNECT, TEMPORARY ON DATABASE {$to} TO heron_app",
        );
    }

    private static function psql(string $role, string $database, string ...$statements): void
    {
        $bin = getenv('PG_BIN') ?: '/usr/lib/postgresql/15/bin';
        $command = [
            "{$bin}/psql", '-h', '127.0.0.1', '-p', (string) getenv('DB_PORT'), '-U', $role, '-d', $database,
            '-v', 'ON_ERROR_STOP=1', '-q',
        ];
        foreach ($statements as $statement) {
            array_push($command, '-c', $statement);
        }
        self::run(implode(' ', array_map(escapeshellarg(...), $command)));
    }

    private static function run(string $command): void
    {
        exec("{$command} 2>&1", $said, $code);
        if ($code !== 0) {
            throw new \RuntimeException("{$command} failed:\n".implode("\n", $said));
        }
    }

    public static function addPerson(string $name, string $email): void
    {
        self::artisan('heron:person', $name, $email, '--password=a long password');
    }

    public static function thesauri(): void
    {
        self::artisan('heron:thesauri');
    }

    /** @return list<array<string, mixed>> from what the stand-ins hold */
    public static function alder(string $sql): array
    {
        return (new \PDO((string) getenv('STANDINS_DSN'), 'standins'))->query($sql)->fetchAll(\PDO::FETCH_ASSOC);
    }

    /** @return list<array<string, mixed>> */
    public static function rows(string $sql): array
    {
        return self::connection()->query($sql)->fetchAll(\PDO::FETCH_ASSOC);
    }

    /** The invitation in the last letter to somebody, as the post room shows it. */
    public static function linkTo(string $email): string
    {
        $id = self::rows("SELECT id FROM letters WHERE recipient = '{$email}' ORDER BY id DESC LIMIT 1")[0]['id'];
        preg_match(
            '~/invitations/\w+~',
            (string) file_get_contents(getenv('HERON_TEST_URL')."/post-room/{$id}"),
            $link,
        );

        return $link[0];
    }

    /** One of its own, to do something at the same time as the application. */
    public static function connection(): \PDO
    {
        return new \PDO('pgsql:host=127.0.0.1;port='.getenv('DB_PORT').';dbname='.self::DATABASE, 'heron_owner');
    }

    private static function artisan(string ...$arguments): void
    {
        self::console($arguments, []);
    }

    private static function asOwner(string ...$arguments): void
    {
        self::console($arguments, [
            'DB_USERNAME' => 'heron_owner',
            'DB_PASSWORD' => getenv('DB_PASSWORD'),
            'APP_CONFIG_CACHE' => dirname(__DIR__, 2).'/var/test/cache/none.php',
        ]);
    }

    /**
     * As the user that the web side runs as, which owns the copy's files.
     *
     * @param  list<string>  $arguments
     * @param  array<string, string|false>  $other
     */
    private static function console(array $arguments, array $other): void
    {
        $root = dirname(__DIR__, 2);
        $command = 'ROOT="$1"; . "$ROOT/setup/users.sh"; shift; as_web "$@"';
        $environment = [
            'PATH' => getenv('PATH'),
            'HERON_INSTANCE_DIR' => "{$root}/var/test",
            'APP_CONFIG_CACHE' => "{$root}/var/test/cache/config.php",
            'HOME' => '/tmp',
        ];
        $environment = [...$environment, ...$other];
        $process = proc_open(
            [
                'bash',
                '-c',
                $command,
                'bash',
                $root,
                PHP_BINARY,
                '-d',
                'pcov.enabled=0',
                "{$root}/artisan",
                ...$arguments,
            ],
            [1 => ['pipe', 'w'], 2 => ['redirect', 1]],
            $pipes,
            $root,
            $environment,
        );
        $said = stream_get_contents($pipes[1]);
        if (proc_close($process) !== 0) {
            throw new \RuntimeException('artisan '.implode(' ', $arguments)." failed:\n{$said}");
        }
    }
}
