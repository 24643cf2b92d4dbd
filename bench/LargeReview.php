<?php

declare(strict_types=1);

namespace Bench;

use App\Access\Role;
use App\Actions\Team\CreateReview;
use App\Models\Review;
use App\Models\User;
use Random\Engine\Mt19937;
use Random\Randomizer;
use WaryHeron\Core\Bibliography\Format\Ris\RisReader;
use WaryHeron\Core\Bibliography\Format\Ris\RisWriter;
use WaryHeron\Core\Bibliography\Name;
use WaryHeron\Core\Bibliography\Reference;

/** Makes files and reviews of any size for load, by mixing the titles, sentences and names of the demo's export. */
final class LargeReview
{
    /** @var list<Reference> */
    private array $seed = [];

    public function __construct(private readonly CreateReview $create)
    {
        $stream =
            fopen(__DIR__.'/../database/demo/tern-abstracts.ris', 'rb') ?:
            throw new \RuntimeException('The demo’s export is missing.');
        foreach ((new RisReader())->read($stream) as $one) {
            if ($one instanceof Reference) {
                $this->seed[] = $one;
            }
        }
    }

    public function review(User $lead, User $reviewer, string $title): Review
    {
        $review = $this->create->execute($lead, $title, 'For load only.');
        $review->memberships()->create(['user_id' => $reviewer->id, 'role' => Role::Reviewer]);

        return $review;
    }

    public function writeFile(string $path, int $records): void
    {
        $file = fopen($path, 'wb') ?: throw new \RuntimeException("{$path} cannot be written.");
        foreach ((new RisWriter())->write($this->references($records)) as $piece) {
            fwrite($file, $piece);
        }
        fclose($file);
    }

    /** @return \Generator<int, Reference> */
    public function references(int $count): \Generator
    {
        $random = new Randomizer(new Mt19937(11));
        $pick = fn (): Reference => $this->seed[$random->getInt(0, count($this->seed) - 1)];
        $last = null;
        for ($number = 1; $number <= $count; $number++) {
            [$a, $b, $c] = [$pick(), $pick(), $pick()];
            if ($last !== null && $number % 7 === 0) {
                // one in seven is another source's record of the publication before
                yield new Reference(
                    ...[
                        ...get_object_vars($last),
                        'title' => mb_strtoupper($last->title),
                        'lastPage' => '',
                        'accession' => (string) $number,
                    ],
                );

                continue;
            }
            $halves = [explode(' ', $a->title), explode(' ', $b->title)];
            yield $last = new Reference(
                $a->type,
                implode(' ', [...array_slice($halves[0], 0, 6), ...array_slice($halves[1], -5)]).", part {$number}",
                [new Name($c->authors[0]->family ?? 'Anon', 'A.'), ...$b->authors],
                $a->year,
                journal: $b->journal,
                volume: $b->volume,
                firstPage: (string) $random->getInt(1, 900),
                doi: "10.79999/load.{$number}",
                abstract: mb_substr($a->abstract, 0, 700).' '.mb_substr($b->abstract, -600),
                keywords: $c->keywords,
                language: 'en',
                accession: (string) $number,
            );
        }
    }
}
