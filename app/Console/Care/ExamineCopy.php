<?php

declare(strict_types=1);

namespace App\Console\Care;

use App\Database\Replica;
use App\Files\StoredCopy;
use App\Models\FullText;
use App\Queries\Shared\CopyHealth;
use Carbon\CarbonImmutable;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Redis;
use Illuminate\Support\Facades\Storage;
use Symfony\Component\Console\Input\ArrayInput;
use Symfony\Component\Console\Output\BufferedOutput;
use Symfony\Component\Process\ExecutableFinder;

/** Says what a running copy is well or ill of, a line each; ends with 1 where something has to be done. */
final class ExamineCopy extends Command
{
    protected $signature = 'heron:doctor {--free= : megabytes that the disk has left} {--backup=0 : when the last backup was written, in seconds since 1970}';

    protected $description = 'Look whether everything that this copy needs is there, and whether what is kept agrees with itself';

    private const PROGRAMS = ['pdftotext', 'pandoc', 'weasyprint', 'rsvg-convert', 'node'];

    private const LEAST_FREE = 2048;

    private const BACKUP_DAYS = 2;

    private const WAITING_MINUTES = 10;

    private const FAR_BEHIND = 16 * 1024 * 1024;

    private int $ill = 0;

    public function handle(): int
    {
        $this->say('PHP', PHP_VERSION, version_compare(PHP_VERSION, '8.2', '>='));
        $this->say('PostgreSQL', (string) DB::scalar('SHOW server_version'), (int) DB::scalar('SHOW server_version_num') >= 150000);
        $pending = $this->pending();
        $this->say('Database', $pending === 0 ? 'as this release has it' : "{$pending} migrations are missing: start it once", $pending === 0);
        $this->programs();
        $this->disk();
        $this->elsewhere();
        $this->backup();
        $this->queue();
        $this->files();
        $this->invariants();

        return $this->ill === 0 ? self::SUCCESS : self::FAILURE;
    }

    private function programs(): void
    {
        foreach (self::PROGRAMS as $program) {
            $path = (new ExecutableFinder())->find($program);
            $this->say($program, $path ?? 'not installed', $path !== null);
        }
    }

    private function pending(): int
    {
        $there = count(glob(database_path('migrations/*.php')) ?: []);

        return $there - DB::table('migrations')->count();
    }

    private function disk(): void
    {
        $free = $this->option('free') === null ? (int) (disk_free_space(storage_path()) / 1048576) : (int) $this->option('free');
        $this->say('Disk', number_format($free).' MB left', $free >= self::LEAST_FREE);
    }

    /** What is kept on other machines, where anything is. */
    private function elsewhere(): void
    {
        if (Replica::isThere()) {
            $behind = Replica::behind();
            $how = $behind === null ? 'does not answer' : number_format($behind).' bytes behind';
            $this->say('Replica', $how, $behind !== null && $behind < self::FAR_BEHIND);
        }
        if (config('cache.default') === 'redis' || config('session.driver') === 'redis') {
            $answers = rescue(fn (): bool => (string) Redis::connection()->command('ping') === 'PONG', false, false);
            $this->say('Redis', $answers ? 'answers' : 'does not answer', $answers);
        }
        $keeps = StoredCopy::canKeep();
        $this->say('Store', $keeps ? 'takes files' : 'takes no files', $keeps);
    }

    private function backup(): void
    {
        $at = (int) $this->option('backup');
        if ($at === 0) {
            $this->say('Backup', 'none was written by ./heron backup', false);

            return;
        }
        $when = CarbonImmutable::createFromTimestampUTC($at);
        $this->say('Backup', $when->format('j M Y, H:i').' UTC', $when->gt(now()->subDays(self::BACKUP_DAYS)));
    }

    private function queue(): void
    {
        $minutes = intdiv(CopyHealth::waiting()->seconds, 60);
        $this->say('Background work', $minutes === 0 ? 'none waits' : "waits for {$minutes} minutes", $minutes < self::WAITING_MINUTES);
        $failed = CopyHealth::failedInADay();
        $this->say('Failed in a day', (string) $failed, $failed === 0);
    }

    /** Every copy that a row names is in the store. */
    private function files(): void
    {
        $missing = $all = 0;
        foreach (DB::table('full_texts')->whereNull('taken_out_at')->select('hash')->distinct()->cursor() as $row) {
            $all++;
            $missing += Storage::exists(FullText::pathOf(trim((string) $row->hash))) ? 0 : 1;
        }
        $this->say('PDFs', number_format($all).' in the store'.($missing === 0 ? '' : ", {$missing} missing"), $missing === 0);
    }

    private function invariants(): void
    {
        $said = new BufferedOutput();
        $isRight = $this->resolveCommand(CheckStates::class)->run(new ArrayInput([]), $said) === 0;
        $lines = explode("\n", trim($said->fetch()));
        $this->say('Decisions', (string) end($lines), $isRight);
        $open = DB::table('pg_trigger')
            ->join('pg_class', 'pg_class.oid', '=', 'pg_trigger.tgrelid')
            ->where('tgname', 'append_only')
            ->where('tgenabled', '<>', 'O')
            ->count();
        $this->say('What is only added to', $open === 0 ? 'is guarded' : "{$open} tables are open", $open === 0);
    }

    private function say(string $of, string $what, bool $isWell): void
    {
        $this->ill += $isWell ? 0 : 1;
        $this->line(sprintf('  %-22s %s%s', $of, $what, $isWell ? '' : '   <- look at this'));
    }
}
