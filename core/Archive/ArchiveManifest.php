<?php

declare(strict_types=1);

namespace WaryHeron\Core\Archive;

use JsonException;

/** What an archive of a review holds: its files with their checksums, and which release wrote it. */
final readonly class ArchiveManifest
{
    public const NAME = 'manifest.json';

    public const FORMAT = 'wary-heron-archive';

    /** Raised when what was written before can no longer be read as it stands. */
    public const VERSION = 1;

    /**
     * @param  string  $review  id of the review
     * @param  string  $structure  name of the newest change to the tables when it was written; names sort by age
     * @param  bool  $hasFullTexts  whether the papers are in it
     * @param  list<ArchivedFile>  $files  all but the manifest
     */
    public function __construct(
        public string $review,
        public string $title,
        public string $writtenAt,
        public string $structure,
        public bool $hasFullTexts,
        public array $files,
    ) {
    }

    /** @throws BadArchive If it is damaged, of another format or of a newer one. */
    public static function decode(string $json): self
    {
        try {
            $given = json_decode($json, true, 8, JSON_THROW_ON_ERROR);
        } catch (JsonException) {
            throw new BadArchive('Its manifest is damaged: it is not JSON.');
        }
        if (! is_array($given) || ($given['format'] ?? null) !== self::FORMAT) {
            throw new BadArchive('It is not an archive of a review: its manifest is of something else.');
        }
        $version = $given['version'] ?? null;
        if (! is_int($version) || $version < 1 || $version > self::VERSION) {
            throw new BadArchive('It was written by a newer release. Bring this copy up to date and try again.');
        }
        $text = function (string $key) use ($given): string {
            $said = $given[$key] ?? null;

            return is_string($said) ? $said : throw new BadArchive("Its manifest does not say its “{$key}”.");
        };
        $files = array_map(ArchivedFile::read(...), array_values(is_array($given['files'] ?? null) ? $given['files'] : []));
        $names = array_map(fn (ArchivedFile $one): string => $one->name, $files);
        if ($files === [] || count(array_unique($names)) !== count($names)) {
            throw new BadArchive('Its manifest names no files, or one of them twice.');
        }
        if (preg_match('/^[0-9a-z]{26}\z/', $text('review')) !== 1) {
            throw new BadArchive('Its manifest does not say which review it is of.');
        }

        return new self(
            $text('review'),
            $text('title'),
            $text('written_at'),
            $text('structure'),
            ($given['full_texts'] ?? null) === true,
            $files,
        );
    }

    public function encode(): string
    {
        return json_encode([
            'format' => self::FORMAT,
            'version' => self::VERSION,
            'review' => $this->review,
            'title' => $this->title,
            'written_at' => $this->writtenAt,
            'structure' => $this->structure,
            'full_texts' => $this->hasFullTexts,
            'files' => array_map(fn (ArchivedFile $one): array => $one->toArray(), $this->files),
        ], JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRETTY_PRINT)."\n";
    }

    public function file(string $name): ?ArchivedFile
    {
        foreach ($this->files as $one) {
            if ($one->name === $name) {
                return $one;
            }
        }

        return null;
    }
}
