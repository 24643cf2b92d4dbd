<?php

declare(strict_types=1);

namespace Bench\Fuzz;

use Random\Engine\Mt19937;
use Random\Randomizer;
use Throwable;

/** Reads what is nearly valid and says what ended otherwise than in something read or a clear refusal. */
final readonly class Fuzzing
{
    /** Of a text of at most 400 kB. */
    private const SECONDS = 5.0;

    private const BYTES = 128 * 1024 * 1024;

    /** @param  non-empty-string  $valid */
    public function __construct(private string $valid, private \Closure $read)
    {
    }

    /** @return ?string what is wrong with how the text of this seed is read; null for nothing */
    public function fault(int $seed): ?string
    {
        $text = $this->text($seed);
        memory_reset_peak_usage();
        $before = memory_get_usage();
        $began = microtime(true);
        $reported = error_reporting(E_ALL);
        try {
            set_error_handler(fn (int $level, string $message, string $file, int $line): bool => (error_reporting() & $level) === 0
                ? false // it was looked for, and is seen to
                : throw new \ErrorException($message, 0, $level, $file, $line));
            ($this->read)($text);
        } catch (Throwable $thrown) {
            return $thrown::class.": {$thrown->getMessage()} at ".basename($thrown->getFile()).":{$thrown->getLine()}";
        } finally {
            restore_error_handler();
            error_reporting($reported);
        }
        $seconds = microtime(true) - $began;
        $bytes = memory_get_peak_usage() - $before;

        return match (true) {
            $seconds > self::SECONDS => sprintf('it took %.1f s', $seconds),
            $bytes > self::BYTES => sprintf('it took %d MiB', $bytes >> 20),
            default => null,
        };
    }

    public function text(int $seed): string
    {
        return (new Mutations(new Randomizer(new Mt19937($seed))))->of($this->valid);
    }
}
