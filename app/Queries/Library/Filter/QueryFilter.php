<?php

declare(strict_types=1);

namespace App\Queries\Library\Filter;

use App\Models\Review;
use App\Models\User;
use App\Queries\Library\ReviewWords;
use App\Queries\Library\TeamFields;
use App\Queries\Shared\Asked;
use Illuminate\Database\Query\Builder;
use WaryHeron\Core\Search\Query\ParsedQuery;
use WaryHeron\Core\Search\Query\Parser;
use WaryHeron\Core\Search\Sql\CannotAnswer;
use WaryHeron\Core\Search\Sql\PostgresPrinter;
use WaryHeron\Core\Search\Sql\SqlCondition;
use WaryHeron\Core\Search\Sql\TableLayout;

/** The line in the query language. One that cannot be read, or asks for too much, says so and narrows nothing. */
final readonly class QueryFilter implements Filter
{
    private const LONGEST = 5000;

    /** So many conditions on what the team did are answered at once; each is a look into another table. */
    private const MOST_RELATED = 60;

    /** @param  ?SqlCondition  $condition  null where there is a problem */
    private function __construct(
        public string $text,
        public ?ParsedQuery $query,
        private ?SqlCondition $condition,
        public string $problem = '',
    ) {
    }

    public static function read(Asked $asked, Place $place): self
    {
        $text = $asked->text('q', self::LONGEST);
        if ($text === '') {
            return new self('', null, null);
        }
        $query = Parser::parse($text);
        if (! $query->isComplete()) {
            return new self($text, null, null, $query->problems[0]->message());
        }
        try {
            return new self($text, $query, self::condition($query, $place->review, $place->viewer));
        } catch (CannotAnswer $cannot) {
            return new self($text, null, null, $cannot->getMessage());
        }
    }

    public static function from(Asked $asked, Place $place): array
    {
        $read = self::read($asked, $place);

        return $read->narrows() ? [$read] : [];
    }

    public function narrows(): bool
    {
        return $this->condition !== null;
    }

    public function key(): string
    {
        return 'q';
    }

    public function words(): string
    {
        return "match {$this->text}";
    }

    public function apply(Builder $publications): void
    {
        if ($this->condition !== null) {
            $publications->whereRaw($this->condition->text, $this->condition->bindings);
        }
    }

    private static function condition(ParsedQuery $query, Review $review, User $user): SqlCondition
    {
        $condition = (new PostgresPrinter(self::layout($review, $user)))->condition($query->root);
        if (substr_count($condition->text, 'EXISTS') > self::MOST_RELATED) {
            throw new CannotAnswer(
                'At most '.self::MOST_RELATED.' notes, tags and decisions can be asked for at once. Ask for fewer.',
            );
        }

        return $condition;
    }

    private static function layout(Review $review, User $user): TableLayout
    {
        return new TableLayout(
            words: 'publications.words',
            journalWords: null,
            exact: ['doi' => 'publications.doi'],
            limits: [
                'year' => 'publications.year',
                'language' => 'lower(publications.language)',
                'type' => 'publications.type',
            ],
            titleWords: 'publications.title_words',
            authorsAlone: 'publications.author_words',
            related: TeamFields::of($review, $user),
            wordList: new ReviewWords($review->id),
        );
    }
}
