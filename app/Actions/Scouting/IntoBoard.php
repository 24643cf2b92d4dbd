<?php

declare(strict_types=1);

namespace App\Actions\Scouting;

use App\Actions\Searches\ChangeStrategy;
use App\Actions\Shared\Refused;
use App\Models\Strategy;
use App\Models\User;
use WaryHeron\Core\Search\Strategy\BadStrategy;
use WaryHeron\Core\Search\Strategy\Block;
use WaryHeron\Core\Search\Strategy\Board;

/** Takes names that papers use as terms into a concept of a strategy. */
final readonly class IntoBoard
{
    public function __construct(private ChangeStrategy $change)
    {
    }

    /**
     * @param  list<string>  $names
     * @param  string  $block  of which concept; empty: of a new one, called $title
     * @return string the name of the concept
     *
     * @throws Refused If the concept is gone or has them all.
     */
    public function execute(User $by, Strategy $strategy, string $block, string $title, array $names): string
    {
        try {
            $block = $block !== '' ? $block : $this->added($by, $strategy, $title);
            $revision = $this->change->execute($by, $strategy, $strategy->head, 'add-terms', [
                'block' => $block,
                'texts' => array_map(self::phrase(...), $names),
            ]);
        } catch (BadStrategy $problem) {
            throw new Refused($problem->getMessage());
        }

        return Board::of($revision->strategy())->block($block)->name ?? '';
    }

    /** @return string the id of a concept of this name, new at the end of the board */
    private function added(User $by, Strategy $strategy, string $title): string
    {
        $revision = $this->change->execute($by, $strategy, $strategy->head, 'add-block', ['name' => $title]);
        $blocks = Board::of($revision->strategy())->blocks;
        $strategy->refresh();

        return end($blocks) instanceof Block ? end($blocks)->id : '';
    }

    /** A name of several words is looked for as a phrase. */
    private static function phrase(string $name): string
    {
        $name = trim((string) preg_replace('/[^\p{L}\p{N}\'’-]+/u', ' ', $name));

        return str_contains($name, ' ') ? "\"{$name}\"" : $name;
    }
}
