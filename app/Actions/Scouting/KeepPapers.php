<?php

declare(strict_types=1);

namespace App\Actions\Scouting;

use App\Models\Scouting;
use App\Queries\Scouting\Candidate;
use Carbon\CarbonInterface;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use WaryHeron\Core\Bibliography\Reference;
use WaryHeron\Core\Coding\Lead\Passages;
use WaryHeron\Core\Coding\Lead\Reader\DesignReader;
use WaryHeron\Core\FullText\Reading\Block;
use WaryHeron\Core\FullText\Reading\BlockKind;
use WaryHeron\Core\FullText\Reading\Paper;
use WaryHeron\Core\FullText\Reading\SectionKind;
use WaryHeron\Core\Matching\Fingerprints;
use WaryHeron\Core\Matching\Matcher;
use WaryHeron\Core\Scouting\Finding;
use WaryHeron\Core\Scouting\Kin\Families;
use WaryHeron\Core\Scouting\Reading\ReadRecord;
use WaryHeron\Core\Scouting\Reading\StudyKind;
use WaryHeron\Core\Scouting\Scout;

/**
 * Ranks the candidates of a plain question and keeps them, each publication once. What was found before keeps its place
 * in people's hands: thrown out stays thrown out.
 */
final readonly class KeepPapers
{
    /** What is written over when a paper is read again. */
    private const READ = [
        'source', 'publication_id', 'reference', 'score', 'sentence', 'page', 'direction', 'confidence', 'reason', 'design',
        'updated_at',
    ];

    private const ROWS = 200;

    /** @param  list<Candidate>  $candidates  all that were gathered so far, those of the library first */
    public function execute(Scouting $scouting, Families $families, array $candidates): void
    {
        $candidates = self::once($candidates);
        $scout = new Scout($families);
        $read = array_map(self::read(...), array_values($candidates));
        $findings = $scout->findings($scout->question($scouting->question), $read);
        $rows = array_map(fn (Finding $one): array => $this->row($scouting, $candidates[$one->id], $one), $findings);
        DB::transaction(function () use ($rows): void {
            foreach (array_chunk($rows, self::ROWS) as $part) {
                DB::table('scouted_papers')->upsert($part, ['review_id', 'scouting_id', 'key'], self::READ);
            }
        });
    }

    private static function read(Candidate $one): ReadRecord
    {
        $reference = $one->reference;

        return ReadRecord::of($one->key, $reference->fullTitle(), $reference->abstract, $reference->firstFamily());
    }

    /**
     * @param  list<Candidate>  $candidates
     * @return array<string, Candidate> by key: of each publication the first
     */
    private static function once(array $candidates): array
    {
        $byKey = [];
        foreach ($candidates as $candidate) {
            $byKey[$candidate->key] ??= $candidate;
        }
        $place = array_flip(array_keys($byKey));
        $fingerprints = new Fingerprints();
        $prints = array_map(
            fn (string $key, Candidate $one) => $fingerprints->of($one->reference, $key),
            array_keys($byKey),
            array_values($byKey),
        );
        foreach ((new Matcher())->match($prints)->groups() as $group) {
            usort($group, fn (string $a, string $b): int => $place[$a] <=> $place[$b]);
            $byKey = array_diff_key($byKey, array_flip(array_slice($group, 1)));
        }

        return $byKey;
    }

    /** @return array<string, string|float|CarbonInterface|null> */
    private function row(Scouting $scouting, Candidate $candidate, Finding $finding): array
    {
        return [
            'id' => Str::lower((string) Str::ulid()),
            'review_id' => $scouting->review_id,
            'scouting_id' => $scouting->id,
            'key' => $candidate->key,
            'source' => $candidate->source,
            'publication_id' => $candidate->publication,
            'reference' => json_encode($candidate->reference->toArray(), JSON_THROW_ON_ERROR),
            'score' => $finding->score,
            'sentence' => $finding->sentence,
            'page' => null,
            'direction' => $finding->direction?->value,
            'confidence' => $finding->confidence->value,
            'reason' => $finding->reason,
            'design' => $finding->sentence === '' ? '' : self::kind($candidate->reference)->value,
            'created_at' => now(),
            'updated_at' => now(),
        ];
    }

    private static function kind(Reference $reference): StudyKind
    {
        $passages = Passages::of(new Paper([
            new Block(BlockKind::Heading, $reference->fullTitle(), 1, $reference->fullTitle(), SectionKind::Title),
            new Block(BlockKind::Paragraph, $reference->abstract, 1, 'Abstract', SectionKind::Abstract),
        ]));

        return StudyKind::of(
            ReadRecord::of('', $reference->fullTitle(), $reference->abstract),
            DesignReader::kind($passages),
        );
    }
}
