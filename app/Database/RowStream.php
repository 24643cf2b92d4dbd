<?php

declare(strict_types=1);

namespace App\Database;

/** Lines that are made as they are read, under an address, for functions that read files. */
final class RowStream
{
    private const SCHEME = 'heron-rows';

    /** @var array<string, \Generator<int, string>> lines by address */
    private static array $lines = [];

    /** @var array<string, \Throwable> what went wrong while lines were made, by address */
    private static array $problems = [];

    /** @var resource given by PHP */
    public $context;

    private string $address = '';

    private string $ready = '';

    /**
     * @param  \Generator<int, string>  $lines
     * @return string an address to read them from, once
     */
    public static function of(\Generator $lines): string
    {
        in_array(self::SCHEME, stream_get_wrappers(), true) || stream_wrapper_register(self::SCHEME, self::class);
        self::$lines[($address = self::SCHEME.'://'.bin2hex(random_bytes(8)))] = $lines;

        return $address;
    }

    /** Forgets an address. @throws \Throwable What went wrong while its lines were made. */
    public static function closed(string $address): void
    {
        $problem = self::$problems[$address] ?? null;
        unset(self::$lines[$address], self::$problems[$address]);
        if ($problem !== null) {
            throw $problem;
        }
    }

    public function stream_open(string $path): bool
    {
        $this->address = $path;

        return isset(self::$lines[$path]);
    }

    public function stream_read(int $count): string
    {
        try {
            for (
                $lines = self::$lines[$this->address];
                strlen($this->ready) < $count && $lines->valid();
                $lines->next()
            ) {
                $this->ready .= $lines->current();
            }
        } catch (\Throwable $problem) {
            // it would not come through the function that reads
            self::$problems[$this->address] = $problem;
            $this->ready = '';
        }
        $part = substr($this->ready, 0, $count);
        $this->ready = substr($this->ready, $count);

        return $part;
    }

    public function stream_eof(): bool
    {
        return $this->ready === '' &&
            (isset(self::$problems[$this->address]) || ! self::$lines[$this->address]->valid());
    }

    public function stream_set_option(int $option, int $first, int $second): bool
    {
        return false;
    }
}
