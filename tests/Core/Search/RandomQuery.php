<?php

namespace Tests\Core\Search;

use Random\Randomizer;
use WaryHeron\Core\Search\Query\Field;
use WaryHeron\Core\Search\Query\LimitKind;
use WaryHeron\Core\Search\Query\Node\Fielded;
use WaryHeron\Core\Search\Query\Node\Heading;
use WaryHeron\Core\Search\Query\Node\Limit;
use WaryHeron\Core\Search\Query\Node\Near;
use WaryHeron\Core\Search\Query\Node\Node;
use WaryHeron\Core\Search\Query\Node\Operation;
use WaryHeron\Core\Search\Query\Node\Phrase;
use WaryHeron\Core\Search\Query\Node\Word;
use WaryHeron\Core\Search\Query\Operator;

/** Trees of every shape that the language can say, for round trips. */
final class RandomQuery
{
    private const WORDS = [
        'wom?n',
        'sh*ft',
        '*ight',
        'light',
        'lamp',
        'night',
        'shift',
        'nurses',
        'alertness',
        'errors',
        'sleep',
        'bright',
        'bright-light',
        'lux',
        '1,500',
        'mélatonine',
    ];

    public function __construct(
        private readonly Randomizer $random,
        private readonly bool $fields = true,
        private readonly bool $onlyText = false,
    ) {
    }

    public function tree(int $depth, bool $inField = false): Node
    {
        return match ($this->random->getInt(0, $depth > 0 ? 9 : 2)) {
            0, 1 => $this->word(),
            2 => $this->phrase(),
            3 => new Near($this->nearSide($depth - 1), $this->nearSide($depth - 1), $this->random->getInt(1, 20)),
            4 => $inField || $this->onlyText ? $this->word() : $this->atom(),
            5 => $inField || ! $this->fields
                ? $this->phrase()
                : new Fielded($this->someFields(), $this->tree($depth - 1, true)),
            default => new Operation(
                Operator::cases()[$this->random->getInt(0, 2)],
                array_map(fn (): Node => $this->tree($depth - 1, $inField), range(1, $this->random->getInt(2, 3))),
            ),
        };
    }

    private function word(): Word
    {
        return new Word(
            str_replace(',', '', self::WORDS[$this->random->getInt(0, count(self::WORDS) - 1)]),
            $this->random->getInt(0, 3) === 0,
        );
    }

    private function phrase(): Phrase
    {
        return new Phrase(array_map(fn (): Word => $this->word(), range(1, $this->random->getInt(1, 3))));
    }

    private function nearSide(int $depth): Node
    {
        return match ($this->random->getInt(0, max(0, min(2, $depth)))) {
            0 => $this->word(),
            1 => new Operation(Operator::Or, [$this->word(), $this->phrase()]),
            default => new Near($this->word(), $this->word(), 2),
        };
    }

    private function atom(): Node
    {
        return match ($this->random->getInt(0, 3)) {
            0 => new Heading(
                'Shift work schedule',
                (bool) $this->random->getInt(0, 1),
                (bool) $this->random->getInt(0, 1),
                $this->random->getInt(0, 2) === 0 ? ['adverse effects'] : [],
            ),
            1 => Limit::years($this->random->getInt(0, 1) ? 1990 : null, 2015),
            2 => Limit::to(LimitKind::Language, 'english'),
            default => Limit::to(LimitKind::Type, 'randomised trial'),
        };
    }

    /** @return non-empty-list<Field> */
    private function someFields(): array
    {
        return array_slice(
            $this->random->shuffleArray([Field::Title, Field::Abstract, Field::Keyword]),
            0,
            $this->random->getInt(1, 2),
        );
    }
}
