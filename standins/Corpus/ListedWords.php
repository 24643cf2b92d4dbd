<?php

declare(strict_types=1);

namespace WaryHeron\Standins\Corpus;

use WaryHeron\Core\Search\Sql\WordList;
use WaryHeron\Standins\Store;

/** The words of a stand-in's index, listed when it was built. */
final readonly class ListedWords implements WordList
{
    public function __construct(private string $table)
    {
    }

    public function matching(string $pattern, int $most): array
    {
        $found = Store::connect()->prepare("SELECT word FROM {$this->table}_list WHERE word ~ ? LIMIT ?");
        $found->execute([$pattern, $most]);

        /** @var list<string> */
        return $found->fetchAll(\PDO::FETCH_COLUMN);
    }
}
