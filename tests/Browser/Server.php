<?php

namespace Tests\Browser;

/** The running copy that browser tests use, with a database of its own. */
final class Server
{
    public static function fresh(): void
    {
        self::asOwner('migrate:fresh', '--force');
    }

    private static string $demo = '';

    /** The demo, made once and put back from then on. */
    public static function demo(): void
    {
        $bin = getenv('PG_BIN') ?: '/usr/lib/postgresql/15/bin';
        $at = '-h 127.0.0.1 -U heron_owner -p '.getenv('DB_PORT');
        if (self::$demo === '') {
            self::asOwner('migrate:fresh', '--force');
            self::artisan('heron:demo');
            self::run("{$bin}/psql {$at} -q -d heron_browser -c ANALYZE");
            self::$demo = (string) tempnam(sys_get_temp_dir(), 'heron-demo');
            self::run("{$bin}/pg_dump {$at} -Fc -Z0 -f ".self::$demo.' heron_browser');
            register_shutdown_function(fn () => @unlink(self::$demo));

            return;
        }
        self::run("{$bin}/psql {$at} -q -d heron_browser -c 'DROP SCHEMA public CASCADE' -c 'CREATE SCHEMA public'");
        self::run("{$bin}/pg_restore {$at} -d heron_browser ".self::$demo);
        self::run("{$bin}/psql {$at} -q -d heron_browser -c ANALYZE");
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
        return new \PDO('pgsql:host=127.0.0.1;port='.getenv('DB_PORT').';dbname=heron_browser', 'heron_owner');
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
