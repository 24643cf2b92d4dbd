<?php

declare(strict_types=1);

namespace WaryHeron\Core\Archive;

/** One file of an archive as its manifest names it. */
final readonly class ArchivedFile
{
    /**
     * @param  string  $name  with folders, by slashes
     * @param  int  $bytes  unpacked
     * @param  string  $sha256  64 hexadecimal digits, of the unpacked bytes (FIPS 180-4)
     * @param  ?int  $rows  lines, where it has one row to a line
     */
    public function __construct(public string $name, public int $bytes, public string $sha256, public ?int $rows = null)
    {
    }

    /** @throws BadArchive If it is not what a manifest names. */
    public static function read(mixed $given): self
    {
        $name = is_array($given) ? $given['name'] ?? null : null;
        $bytes = is_array($given) ? $given['bytes'] ?? null : null;
        $hash = is_array($given) ? $given['sha256'] ?? null : null;
        $rows = is_array($given) ? $given['rows'] ?? null : null;
        if (! is_string($name) || ! self::isSafe($name)) {
            throw new BadArchive('Its manifest names a file that no archive of ours holds.');
        }
        if (! is_int($bytes) || $bytes < 0 || ! is_string($hash) || preg_match('/^[0-9a-f]{64}\z/', $hash) !== 1) {
            throw new BadArchive("Its manifest does not say how large “{$name}” is, or what its checksum is.");
        }
        if ($rows !== null && (! is_int($rows) || $rows < 0)) {
            throw new BadArchive("Its manifest does not say how many rows “{$name}” has.");
        }

        return new self($name, $bytes, $hash, $rows);
    }

    /** @return array<string, string|int> */
    public function toArray(): array
    {
        return [
            'name' => $this->name,
            'bytes' => $this->bytes,
            'sha256' => $this->sha256,
            ...$this->rows === null ? [] : ['rows' => $this->rows],
        ];
    }

    private static function isSafe(string $name): bool
    {
        return preg_match('~^[A-Za-z0-9][A-Za-z0-9_.-]*(/[A-Za-z0-9][A-Za-z0-9_.-]*){0,4}\z~', $name) === 1;
    }
}
