<?php

namespace Tests\Feature\Synthesis;

use App\Actions\Synthesis\ChangeOutcomes;
use App\Actions\Synthesis\KeepAnalysis;
use App\Models\Comparison;
use App\Models\KeptAnalysis;
use App\Models\Result;
use App\Models\ReviewOutcome;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use Tests\Feature\World;
use WaryHeron\Core\Synthesis\Choice\AnalysisTerms;
use WaryHeron\Core\Synthesis\Report\OutcomeKind;

/** A review with included studies, two outcomes and one comparison: what the tests of synthesis begin with. */
final readonly class AtSynthesis
{
    private function __construct(public World $world, public ReviewOutcome $misses, public ReviewOutcome $sleepy, public Comparison $comparison)
    {
    }

    public static function with(string ...$authors): self
    {
        $world = new World();
        $world->deliver(array_map(fn (string $name): array => ['TI' => "Lamps of {$name}", 'AU' => "{$name}, A"], array_values($authors)));
        foreach (array_keys(array_values($authors)) as $i) {
            foreach (['anna', 'ben'] as $who) {
                $world->decide($who, $world->item($i), 'include');
            }
        }
        [$change, $lead, $review] = [app(ChangeOutcomes::class), $world->people['lead'], $world->review];
        $comparison = $change->compare(
            $lead,
            $review,
            $change->addArm($lead, $review, 'bright light', 'intervention'),
            $change->addArm($lead, $review, 'dim light', 'comparator'),
        );

        return new self(
            $world,
            $change->addOutcome($lead, $review, OutcomeKind::Events, 'Near misses', ['better' => 'lower']),
            $change->addOutcome($lead, $review, OutcomeKind::Means, 'Sleepiness', [
                'better' => 'lower',
                'unit' => 'points',
                'scales' => [['name' => 'nine-point scale', 'low' => 1.0, 'high' => 9.0, 'reversed' => false]],
            ]),
            $comparison,
        );
    }

    /** @param  array<string, mixed>  $with */
    public function takes(string $who, string $author, array $with, string $row = ''): TestResponse
    {
        $publication = $this->world->publication("Lamps of {$author}")->id;
        $row = $row ?: strtolower((string) Str::ulid());

        return test()
            ->actingAs($this->world->people[$who])
            ->putJson("/reviews/{$this->world->review->id}/coding/{$publication}/results/{$row}", [
                'outcome' => $this->misses->id,
                'comparison' => $this->comparison->id,
                'form' => 'counts',
                'design' => 'parallel',
                ...$with,
            ]);
    }

    /** @param  array<string, mixed>  $with */
    public function counts(string $author, int $e1, int $n1, int $e2, int $n2, array $with = []): TestResponse
    {
        $given = array_map(strval(...), ['e1' => $e1, 'n1' => $n1, 'e2' => $e2, 'n2' => $n2]);

        return $this->takes('coder', $author, ['given' => $given, ...$with])->assertOk();
    }

    /** @param  array<string, mixed>  $terms */
    public function analysis(array $terms = []): KeptAnalysis
    {
        return app(KeepAnalysis::class)->begin(
            $this->world->people['lead'],
            $this->world->review,
            'Near misses in the night',
            AnalysisTerms::fromArray([
                'outcome' => $this->misses->id,
                'comparison' => $this->comparison->id,
                'measure' => 'RR',
                ...$terms,
            ]),
        );
    }

    public function at(string $path, string $who = 'observer'): TestResponse
    {
        return test()->actingAs($this->world->people[$who])->get("/reviews/{$this->world->review->id}/synthesis{$path}");
    }

    /** @return list<Result> that count */
    public function results(): array
    {
        return array_values((new Result())->setTable('standing_results')->newQuery()->orderBy('id')->get()->all());
    }

    /** The first worked example of the statistics, as studies of the review. */
    public static function fiveStudies(): self
    {
        $at = self::with('Aster', 'Birk', 'Cole', 'Dorn', 'Esch');
        $at->counts('Aster', 12, 100, 24, 102);
        $at->counts('Birk', 5, 48, 4, 50);
        $at->counts('Cole', 30, 210, 61, 205);
        $at->counts('Dorn', 0, 25, 3, 24);
        $at->counts('Esch', 44, 400, 58, 390);

        return $at;
    }
}
