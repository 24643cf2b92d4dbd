<?php

declare(strict_types=1);

namespace App\Files\In;

use App\Database\ArchivedTable;
use BackedEnum;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Str;
use JsonException;
use WaryHeron\Core\Archive\BadArchive;
use WaryHeron\Core\Report\Document\BadDocument;
use WaryHeron\Core\Report\Document\Schema;

/** A line of an archive, looked at before it becomes a row: of this review, of known columns, with nothing in it that acts. */
final class ArchivedRow
{
    private const DEPTH = 128;

    /** @var array<string, mixed> */
    private array $row;

    private string $line;

    /**
     * @param  array<string, string>  $ids  of here by those of the archive
     *
     * @throws BadArchive
     */
    public function __construct(
        private readonly ArchivedTable $table,
        private readonly int $number,
        string $line,
        string $reviewId,
        private readonly array $ids,
    ) {
        $this->line = $ids === [] ? $line : strtr($line, $ids);
        $this->row = self::decode($this->line, $table->name, $number);
        $unknown = array_diff(array_keys($this->row), $table->columns);
        if ($unknown !== []) {
            $this->refuse('has “'.Str::limit((string) reset($unknown), 60).'”, which this copy does not know');
        }
        $this->checkReview($reviewId);
        $this->checkWords();
        $this->checkReport();
    }

    /** @return array<string, mixed> */
    public static function decode(string $line, string $table, int $number): array
    {
        try {
            $row = json_decode($line, true, self::DEPTH, JSON_THROW_ON_ERROR);
        } catch (JsonException) {
            $row = null;
        }
        if (! is_array($row) || array_is_list($row)) {
            throw new BadArchive("Line {$number} of “data/{$table}.jsonl” is no JSON object.");
        }

        return $row;
    }

    /** @return list<string> */
    public function columns(): array
    {
        return array_map(strval(...), array_keys($this->row));
    }

    public function line(): string
    {
        return $this->line;
    }

    /** @return list<string> itself as JSON with what names others of its table alone; nothing where it names none */
    public function naming(): array
    {
        $named = array_intersect_key($this->row, array_flip($this->table->toItself));

        return array_filter($named) === []
            ? []
            : [json_encode([...array_intersect_key($this->row, ['review_id' => 0, 'id' => 0]), ...$named], JSON_THROW_ON_ERROR)];
    }

    /** Whether it is of a thesaurus that this copy has already. */
    public function isHere(): bool
    {
        $of = ['schemes' => 'id', 'scheme_concepts' => 'scheme_id'][$this->table->name] ?? null;

        return $of !== null && in_array($this->row[$of] ?? null, $this->ids, true);
    }

    private function checkReview(string $reviewId): void
    {
        $column = $this->table->name === 'reviews' ? 'id' : 'review_id';
        if (! in_array($column, $this->table->columns, true)) {
            return; // its parent is of the review
        }
        $of = $this->row[$column] ?? null;
        if ($this->table->name === 'recipe_exports' && $of === null) {
            // in archives of before, these did not say what review they are of
            $this->rowOf(['review_id' => $reviewId] + $this->row);
        } elseif ($this->table->name === 'schemes' && $of === null) {
            // a thesaurus of the installation that it comes from becomes one of the review's own
            $this->rowOf(['review_id' => $reviewId, 'source' => null] + $this->row);
        } elseif ($of !== $reviewId) {
            $this->refuse('is of another review');
        }
    }

    /** @param  array<string, mixed>  $row */
    private function rowOf(array $row): void
    {
        ksort($row);
        $this->row = $row;
        $this->line = json_encode($row, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
    }

    /** Words of which there are only some are of those. */
    private function checkWords(): void
    {
        foreach (self::enums($this->table->name) as $column => $enum) {
            $says = $this->row[$column] ?? null;
            if ($says !== null && (! is_string($says) && ! is_int($says) || self::isNone($enum, $says))) {
                $this->refuse("says something in “{$column}” that this copy does not know");
            }
        }
    }

    /** @param  class-string<BackedEnum>  $enum */
    private static function isNone(string $enum, string|int $says): bool
    {
        foreach ($enum::cases() as $case) {
            if ($case->value === $says) {
                return false;
            }
        }

        return true;
    }

    private function checkReport(): void
    {
        try {
            match ($this->table->name) {
                'reports', 'report_versions' => Schema::node((array) ($this->row['said'] ?? [])),
                default => null,
            };
        } catch (BadDocument $bad) {
            $this->refuse("holds no report of ours: {$bad->getMessage()}");
        }
        if (in_array($this->table->name, ['report_blocks', 'report_versions', 'report_claims'], true)) {
            $this->checkShown($this->row);
        }
    }

    /** @param  array<mixed>  $given */
    private function checkShown(array $given): void
    {
        foreach ($given as $key => $value) {
            if (is_array($value)) {
                $this->checkShown($value);
            } elseif ($key === 'html' && is_string($value)) {
                ArchivedHtml::check($value);
            } elseif ($key === 'url' && is_string($value) && preg_match('~^(/(?![/\\\\])|https?://|\z)~', $value) !== 1) {
                $this->refuse('holds an address that no report of ours does');
            }
        }
    }

    private function refuse(string $why): never
    {
        throw new BadArchive("Line {$this->number} of “{$this->table->file()}” {$why}.");
    }

    /** @return array<string, class-string<BackedEnum>> enums by column */
    private static function enums(string $table): array
    {
        static $all = null;
        if ($all === null) {
            $all = [];
            foreach (glob(app_path('Models/*.php')) ?: [] as $file) {
                $class = 'App\\Models\\'.basename($file, '.php');
                if (is_subclass_of($class, Model::class) && ! (new \ReflectionClass($class))->isAbstract()) {
                    $model = new $class();
                    $all[$model->getTable()] = array_filter(
                        $model->getCasts(),
                        fn (mixed $cast): bool => is_string($cast) && is_subclass_of($cast, BackedEnum::class),
                    );
                }
            }
        }

        return $all[$table] ?? [];
    }
}
