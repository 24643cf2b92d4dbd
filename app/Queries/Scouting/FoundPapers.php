<?php

declare(strict_types=1);

namespace App\Queries\Scouting;

use App\Models\ScoutedPaper;
use App\Models\Scouting;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Scouting\Answer\Direction;
use WaryHeron\Core\Scouting\Criticism;
use WaryHeron\Core\Scouting\Finding;
use WaryHeron\Core\Scouting\Named\NamedThing;
use WaryHeron\Core\Scouting\Named\NameKind;
use WaryHeron\Core\Scouting\Named\ProperNames;
use WaryHeron\Core\Scouting\Reading\ReadRecord;
use WaryHeron\Core\Scouting\Reading\StudyKind;
use WaryHeron\Core\Scouting\Remark;

/** The papers that answer a plain question, and what can be said of them together. */
final class FoundPapers
{
    /** So many are read at once; what is less likely is asked for more sharply. */
    private const MOST = 300;

    /** Of each paper. */
    private const MOST_CONTRARY = 3;

    private const MOST_NAMED = 6;

    /** @var Collection<int, ScoutedPaper> that answer, the likeliest first */
    public readonly Collection $answering;

    /** @var array<string, array<string, object>> answers to further questions, by paper, then question */
    public readonly array $further;

    public function __construct(private readonly Scouting $scouting, private readonly ScoutingTerms $terms)
    {
        $this->answering = $scouting
            ->papers()
            ->where('sentence', '<>', '')
            ->whereNull('thrown_out_at')
            ->orderByDesc('score')
            ->orderBy('id')
            ->limit(self::MOST)
            ->get();
        $this->further = $this->answers();
    }

    /** @return Collection<int, ScoutedPaper> those asked for, in their order */
    public function wanted(): Collection
    {
        return once(fn (): Collection => $this->ordered());
    }

    /** @return Collection<int, ScoutedPaper> */
    private function ordered(): Collection
    {
        $wanted = $this->answering->filter($this->isWanted(...));
        $place = fn (ScoutedPaper $one): array => $this->place($this->answer($one, $this->terms->by));
        $ordered = match ($this->terms->by) {
            '' => $wanted,
            'newest' => $wanted->sortByDesc(fn (ScoutedPaper $one): int => $one->reference()->year ?? 0),
            default => $wanted->sortBy($place),
        };

        return $ordered->values();
    }

    private function isWanted(ScoutedPaper $one): bool
    {
        $says = mb_strtolower($this->terms->says);

        return in_array($this->terms->direction, [null, self::says($one)], true) &&
            in_array($this->terms->kind, [null, $one->design], true) &&
            ($says === '' || str_contains(mb_strtolower($this->answer($one, $this->terms->by)), $says));
    }

    /** @return Collection<int, ScoutedPaper> those on the page */
    public function shown(): Collection
    {
        return $this->wanted()->take($this->terms->shown);
    }

    /** @return list<string> */
    public function shownIds(): array
    {
        return array_values($this->shown()->map(fn (ScoutedPaper $one): string => $one->id)->all());
    }

    /**
     * Those on the page by what they say, what most say first; in another order than the likeliest they stay together.
     *
     * @return array<string, Collection<int, ScoutedPaper>> by direction; '' where it is not grouped
     */
    public function groups(): array
    {
        $shown = $this->shown();
        if ($this->terms->by !== '' || ! $this->saysSomething()) {
            return $shown->isEmpty() ? [] : ['' => $shown];
        }
        $groups = $shown->groupBy(fn (ScoutedPaper $one): string => self::says($one)->value)->all();
        $place = array_flip(array_keys($this->wantedBySaying()));
        uksort($groups, fn (string $a, string $b): int => $place[$a] <=> $place[$b]);

        return $groups;
    }

    /** @return array<string, int> those asked for, on the page or not: what most say first, the unclear at the end */
    public function wantedBySaying(): array
    {
        $counts = $this->wanted()->countBy(fn (ScoutedPaper $one): string => self::says($one)->value)->all();
        uksort($counts, fn (string $a, string $b): int => [
            $a === Direction::Unclear->value,
            $counts[$b],
        ] <=> [$b === Direction::Unclear->value, $counts[$a]]);

        return $counts;
    }

    /** Where other papers point a way, one that points none is unclear. */
    private static function says(ScoutedPaper $paper): Direction
    {
        return $paper->direction ?? Direction::Unclear;
    }

    private function saysSomething(): bool
    {
        return $this->answering->contains(fn (ScoutedPaper $one): bool => $one->direction !== null);
    }

    /** @return array<string, array<string, int>> papers by direction, then by kind of study */
    public function pattern(): array
    {
        $pattern = [];
        foreach ($this->saysSomething() ? $this->answering : [] as $paper) {
            [$says, $kind] = [self::says($paper)->value, $paper->design->value];
            $pattern[$says][$kind] = ($pattern[$says][$kind] ?? 0) + 1;
        }
        $order = array_flip(array_column(Direction::cases(), 'value'));
        uksort($pattern, fn (string $a, string $b): int => $order[$a] <=> $order[$b]);

        return $pattern;
    }

    /** @return list<Told> by kind of study */
    public function told(): array
    {
        $told = [];
        foreach (StudyKind::cases() as $kind) {
            $says = array_filter(array_map(fn (array $row): int => $row[$kind->value] ?? 0, $this->pattern()));
            arsort($says);
            $of = array_sum($says);
            if ($of > 0) {
                $told[] = new Told($kind, $of, $says);
            }
        }

        return $told;
    }

    public function others(): OtherPapers
    {
        $row = $this->scouting
            ->papers()
            ->toBase()
            ->selectRaw('count(*) FILTER (WHERE sentence = \'\' AND thrown_out_at IS NULL) AS silent')
            ->selectRaw('count(*) FILTER (WHERE thrown_out_at IS NOT NULL) AS out')
            ->selectRaw(
                'count(*) FILTER (WHERE created_at > ?) AS new',
                [$this->scouting->new_since ?? now()->addDay()],
            )
            ->first();

        return new OtherPapers((int) ($row->silent ?? 0), (int) ($row->out ?? 0), (int) ($row->new ?? 0));
    }

    /** @return Collection<int, ScoutedPaper> */
    public function thrownOut(): Collection
    {
        return $this->scouting->papers()->whereNotNull('thrown_out_at')->orderBy('thrown_out_at')->limit(self::MOST)->get();
    }

    /** @return list<NamedThing> instruments that they name, those in most papers first */
    public function named(): array
    {
        return array_slice(ProperNames::in($this->records(), NameKind::Instrument), 0, self::MOST_NAMED);
    }

    /**
     * What speaks against papers on the page.
     *
     * @return array<string, SpokenAgainst> by paper
     */
    public function against(): array
    {
        $all = $this->scouting->papers()->orderByDesc('score')->limit(self::MOST)->get()->keyBy('id');
        $remarks = Criticism::remarks(
            array_values($all->map(fn (ScoutedPaper $one): ReadRecord => $one->record())->all()),
        );
        $findings = array_values($this->answering->map(fn (ScoutedPaper $one): Finding => $one->finding())->all());
        $against = [];
        foreach ($this->shown() as $paper) {
            $comments = array_map(
                fn (Remark $one): PaperSentence => new PaperSentence($all[$one->id], $one->sentence),
                Criticism::comments($paper->record(), $remarks),
            );
            $contrary = array_map(
                fn (Finding $one): ScoutedPaper => $this->answering->firstWhere('id', $one->id) ?? $paper,
                array_slice(Criticism::contrary($paper->finding(), $findings), 0, self::MOST_CONTRARY),
            );
            $against[$paper->id] = new SpokenAgainst($comments, $contrary);
        }

        return $against;
    }

    /** @return list<ReadRecord> of those that answer */
    public function records(): array
    {
        return array_values($this->answering->map(fn (ScoutedPaper $one): ReadRecord => $one->record())->all());
    }

    private function answer(ScoutedPaper $paper, string $question): string
    {
        return $this->further[$paper->id][$question]->value ?? '';
    }

    /**
     * Numbers by size, then words, and what is not reported last.
     *
     * @return list<int|float|string>
     */
    private function place(string $value): array
    {
        return match (true) {
            $value === '' => [2, 0.0, ''],
            is_numeric($value) => [0, (float) $value, ''],
            default => [1, 0.0, mb_strtolower($value)],
        };
    }

    /** @return array<string, array<string, object>> */
    private function answers(): array
    {
        $answers = [];
        $rows = DB::table('further_answers')
            ->where('review_id', $this->scouting->review_id)
            ->whereIn('scouted_paper_id', $this->answering->pluck('id'))
            ->get();
        foreach ($rows as $row) {
            $answers[$row->scouted_paper_id][$row->further_question_id] = $row;
        }

        return $answers;
    }
}
