<?php

declare(strict_types=1);

namespace Bench\Judged;

use PDO;
use WaryHeron\Standins\Corpus\Study;

/** The full-text ranking of PostgreSQL over titles and abstracts: any word of the question, its own stems and ranks. */
final readonly class PlainRanking
{
    /** By frequency alone, by length of the text as well, and by nearness of the words: the best of them counts. */
    public const WAYS = [
        'ts_rank' => 'ts_rank(words, query)',
        'ts_rank, by length' => 'ts_rank(words, query, 1)',
        'ts_rank_cd' => 'ts_rank_cd(words, query)',
        'ts_rank_cd, by length' => 'ts_rank_cd(words, query, 1)',
    ];

    /** @param  list<Study>  $studies */
    public function __construct(private PDO $database, array $studies)
    {
        $database->exec('CREATE TEMPORARY TABLE plain (number int PRIMARY KEY, words tsvector NOT NULL)');
        $insert = $database->prepare("INSERT INTO plain VALUES (?, setweight(to_tsvector('english', ?), 'A') || to_tsvector('english', ?))");
        $database->beginTransaction();
        foreach ($studies as $study) {
            $insert->execute([$study->number, $study->title, $study->abstract]);
        }
        $database->commit();
    }

    /** @return list<int> numbers of the ten that it puts first */
    public function first(string $question, string $way): array
    {
        $rank = self::WAYS[$way];
        $found = $this->database->prepare(
            "SELECT number FROM plain, CAST(replace(CAST(plainto_tsquery('english', ?) AS text), '&', '|') AS tsquery) AS query
            WHERE words @@ query ORDER BY {$rank} DESC, number LIMIT 10",
        );
        $found->execute([$question]);

        return array_map(intval(...), $found->fetchAll(PDO::FETCH_COLUMN));
    }
}
