<?php

declare(strict_types=1);

namespace WaryHeron\Standins;

use WaryHeron\Core\Search\Dialect\Dialect;
use WaryHeron\Core\Search\Dialect\Dialects;
use WaryHeron\Core\Search\Sql\HeadingNumbers;
use WaryHeron\Core\Search\Sql\TableLayout;
use WaryHeron\Standins\Corpus\ListedWords;
use WaryHeron\Standins\Corpus\Study;
use WaryHeron\Standins\Corpus\Thesaurus;

/** One of the simulated databases: what it holds, how it describes it, and what it can be asked. */
abstract class Service implements HeadingNumbers
{
    /** @var array<string, self> */
    private static array $made = [];

    private ?Thesaurus $thesaurus = null;

    public static function named(string $key): self
    {
        return self::$made[$key] ??= match ($key) {
            'alder' => new Alder\Alder(),
            'tern' => new Tern\Tern(),
            'fen' => new Fen\Fen(),
            default => throw new \OutOfBoundsException("There is no service “{$key}”."),
        };
    }

    /** @return list<string> */
    public static function keys(): array
    {
        return ['alder', 'tern', 'fen'];
    }

    abstract public function key(): string;

    abstract public function title(): string;

    abstract public function description(): string;

    /** The most records in one answer. */
    abstract public function ceiling(): int;

    abstract public function dialectName(): string;

    /** @return array<string, string> titles of the CQL indexes by name */
    abstract public function indexes(): array;

    abstract protected function thesaurusFile(): ?string;

    /** How many records there are when Alder has so many. */
    abstract public function sizeBeside(int $alder): int;

    /**
     * The studies it holds, in its order.
     *
     * @return iterable<Study>
     */
    abstract public function holdings(int $alder): iterable;

    /** @return array<string, mixed> the study as this database describes it; see Corpus\Table for the keys */
    abstract public function entry(Study $study, int $position): array;

    public function dialect(): Dialect
    {
        return Dialects::named($this->dialectName()) ?? throw new \LogicException('It ships.');
    }

    public function thesaurus(): ?Thesaurus
    {
        $file = $this->thesaurusFile();

        return $this->thesaurus ??= $file === null ? null : new Thesaurus($file);
    }

    public function layout(): TableLayout
    {
        $limits = array_intersect_key(
            [
                'year' => 'year',
                'language' => 'language',
                'type' => 'types[]',
                'age' => 'ages[]',
                'species' => 'species',
            ],
            $this->dialect()->data['limits'],
        );
        $exact = array_intersect_key(['doi' => 'doi', 'id' => 'identifier'], $this->dialect()->data['fields']);

        $list = new ListedWords($this->table());

        return $this->thesaurusFile() === null
            ? new TableLayout(
                'words',
                'journal_words',
                $exact,
                $limits,
                titleWords: 'title_words',
                authorWords: 'author_words',
                wordList: $list,
            )
            : new TableLayout(
                'words',
                'journal_words',
                $exact,
                $limits,
                $this,
                'headings',
                'headings_above',
                'major',
                'major_above',
                'qualified',
                'title_words',
                'author_words',
                wordList: $list,
            );
    }

    /** The thesaurus is only read where a query names a heading. */
    public function numberOf(string $label): ?int
    {
        return $this->thesaurus()?->numberOf($label);
    }

    public function table(): string
    {
        return "{$this->key()}.records";
    }
}
