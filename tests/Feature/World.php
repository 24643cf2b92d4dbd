<?php

namespace Tests\Feature;

use App\Access\Role;
use App\Actions\Deliveries\StartDelivery;
use App\Actions\Question\ChangeCriteria;
use App\Actions\Screening\RecordDecision;
use App\Actions\Team\CreateReview;
use App\Models\Delivery;
use App\Models\Item;
use App\Models\Publication;
use App\Models\Review;
use App\Models\User;
use WaryHeron\Core\Screening\Verdict;

/** A review with its team, set up through the application's own actions. */
final class World
{
    public readonly Review $review;

    /** @var array<string, User> */
    public array $people = [];

    public function __construct(bool $inFull = false)
    {
        foreach (
            [
                'lead' => 'Ines Okafor',
                'specialist' => 'Mirela Haas',
                'anna' => 'Anna Kolbe',
                'ben' => 'Ben Strand',
                'coder' => 'Cleo Varga',
                'observer' => 'Olu Amadi',
                'outsider' => 'Otto Fremd',
            ] as $key => $name
        ) {
            $this->people[$key] = User::query()->create([
                'name' => $name,
                'email' => "{$key}@heron.example",
                'password' => 'a long password',
            ]);
        }
        $this->review = app(CreateReview::class)->execute($this->people['lead'], 'Lamps at night', 'Do lamps help?');
        if (! $inFull) {
            // as it could have been set up; to take it away again by the action takes as long as all the rest
            $this->review->lastStage()->delete();
            $this->review->unsetRelation('stages');
        }
        foreach (
            [
                'specialist' => Role::InformationSpecialist,
                'anna' => Role::Reviewer,
                'ben' => Role::Reviewer,
                'coder' => Role::Coder,
                'observer' => Role::Observer,
            ] as $key => $role
        ) {
            $this->review->memberships()->create(['user_id' => $this->people[$key]->id, 'role' => $role]);
        }
    }

    /** With the stage at which texts are read in full, which most of what is tried here can do without. */
    public static function readingInFull(): self
    {
        return new self(inFull: true);
    }

    public function withCriteria(): self
    {
        foreach (['Staff?' => 'Not staff', 'Light?' => 'No light'] as $question => $reason) {
            app(ChangeCriteria::class)->add($this->people['lead'], $this->review, $question, $reason);
        }

        return $this;
    }

    /** With criteria, and publications of which each is of another ward. */
    public function withWards(int $publications = 12): self
    {
        $this->withCriteria()->deliver(array_map(
            fn (int $i): array => ['TI' => 'Lamps of ward '.str_repeat(chr(96 + $i), 3)],
            range(1, $publications),
        ));

        return $this;
    }

    /** @param  list<array<string, string>>  $records RIS fields, each over sensible ones */
    public function deliver(array $records, string $source = 'Tern Abstracts'): Delivery
    {
        return $this->deliverText(self::ris($records), $source);
    }

    public function deliverText(string $text, string $source = 'Tern Abstracts'): Delivery
    {
        $path = tempnam(sys_get_temp_dir(), 'ris');
        file_put_contents($path, $text);

        try {
            return app(StartDelivery::class)
                ->ofFile($this->people['specialist'], $this->review, $path, 'export.ris', $source, now(), '')
                ->refresh();
        } finally {
            unlink($path);
        }
    }

    /** @param  list<array<string, string>>  $records */
    public static function ris(array $records): string
    {
        $text = '';
        foreach ($records as $i => $fields) {
            $text .= "TY  - JOUR\n";
            // each title has its place in the journal, so that the same title is the same publication
            $page = (crc32(strtolower(rtrim($fields['TI'] ?? "Study {$i}", '.'))) % 900) + 1;
            foreach (
                array_filter([
                    ...[
                        'TI' => "Study {$i}",
                        'AU' => 'Sorlie, T',
                        'PY' => '2020',
                        'AB' => 'A bright lamp.',
                        'JF' => 'Nocturnal Medicine',
                        'VL' => '12',
                        'SP' => (string) $page,
                    ],
                    ...$fields,
                ]) as $tag => $value
            ) {
                $text .= "{$tag}  - {$value}\n";
            }
            $text .= "ER  - \n";
        }

        return $text;
    }

    public function item(int $number = 0): Item
    {
        return Item::query()->where('review_id', $this->review->id)->orderBy('position')->get()[$number];
    }

    public function publication(string $title): Publication
    {
        return Publication::query()->where('review_id', $this->review->id)->where('title', $title)->firstOrFail();
    }

    public function decide(string $who, Item $item, string $verdict, string $note = ''): void
    {
        $criterion = $verdict === 'exclude' ? $this->review->criteria()->first() : null;
        app(RecordDecision::class)->execute($this->people[$who], $item, Verdict::from($verdict), $criterion, $note);
    }

    /**
     * The form of a share-out.
     *
     * @param  list<string>  $people
     * @param  array<string, mixed>  $more
     * @return array<string, mixed>
     */
    public function terms(array $people, array $more = []): array
    {
        return [
            'people' => array_map(fn (string $who): string => $this->people[$who]->id, $people),
            'seed' => '7',
            'name' => 'First half',
            ...$more,
        ];
    }
}
