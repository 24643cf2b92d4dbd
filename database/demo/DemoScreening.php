<?php

declare(strict_types=1);

namespace Database\Demo;

use App\Actions\Screening\MakeShareOut;
use App\Actions\Screening\OrderReading;
use App\Actions\Screening\PostToTalk;
use App\Actions\Screening\RecordDecision;
use App\Actions\Screening\SettleItem;
use App\Jobs\Screening\RankItems;
use App\Models\Criterion;
use App\Models\Item;
use App\Queries\Library\LibraryFilters;
use App\Queries\Shared\Asked;
use Carbon\CarbonImmutable;
use Illuminate\Contracts\Bus\Dispatcher;
use WaryHeron\Core\Screening\ItemState;
use WaryHeron\Core\Screening\Ranking\ReadingOrder;
use WaryHeron\Core\Screening\Verdict;

/** How titles and abstracts were judged: a calibration set, two who read at their own pace, a check sample, talk. */
final class DemoScreening extends DemoPart
{
    private const CALIBRATION = 20;

    private const CHECKED = 60;

    public function __construct(
        private readonly RecordDecision $decide,
        private readonly SettleItem $settle,
        private readonly PostToTalk $talk,
        private readonly MakeShareOut $share,
        private readonly OrderReading $order,
    ) {
    }

    /** Before the main round three people judge the same few, and see where they read the criteria differently. */
    public function calibrate(CarbonImmutable $on): void
    {
        $people = array_fill_keys(
            array_map(fn (string $who): string => $this->people[$who]->id, ['ines', 'karin', 'tunde']),
            null,
        );
        $terms = [
            'pool' => 'free',
            'sample' => self::CALIBRATION,
            'percent' => null,
            'decisions' => 2,
            'quotas' => $people,
            'mode' => 'everyone',
            'seed' => 2026,
        ];
        $made = $this->share->execute(
            $this->people['ines'],
            $this->review->firstStage(),
            LibraryFilters::from(new Asked(), $this->review, $this->people['ines']),
            $terms,
            'Calibration set',
            self::CALIBRATION,
        );
        $criteria = Criterion::query()->where('review_id', $this->review->id)->orderBy('position')->get();
        foreach (['ines', 'karin', 'tunde'] as $who) {
            foreach (
                Item::query()->where('stage_id', $made->stage_id)->with('publication')->orderBy('position')->get() as $i => $item
            ) {
                $this->at($on->setTime(14, 0)->addMinutes($i * 2));
                [$verdict, $failed, $note] = Judgement::of($item->publication, $who);
                $this->decide->execute(
                    $this->people[$who],
                    $item,
                    $verdict,
                    $failed === null ? null : $criteria[$failed],
                    $note,
                    answers: Judgement::answers($criteria, $verdict, $failed),
                );
            }
        }
        $this->review->unsetRelation('stages');
    }

    /** Two reviewers read in order; Karin is further than Tunde, and each judges a little differently. */
    public function screen(CarbonImmutable $from): void
    {
        $criteria = Criterion::query()->where('review_id', $this->review->id)->orderBy('position')->get();
        $items = Item::query()
            ->where('stage_id', $this->review->firstStage()->id)
            ->with('publication')
            ->orderBy('position')
            ->get()
            ->each(fn (Item $item) => $item->setRelation('review', $this->review));
        $shares = ['karin' => (int) ($items->count() * 0.62), 'tunde' => (int) ($items->count() * 0.5)];
        foreach ($shares as $who => $share) {
            foreach ($items->take($share)->values() as $i => $item) {
                $this->at(
                    $from
                        ->addDays(intdiv($i * 13, max(1, $share)))
                        ->setTime(9, 0)
                        ->addSeconds(($i % 60) * 95),
                );
                [$verdict, $failed, $note] = Judgement::of($item->publication, $who);
                $this->decide->execute(
                    $this->people[$who],
                    $item,
                    $verdict,
                    $failed === null ? null : $criteria[$failed],
                    $note,
                    answers: $who === 'karin' ? Judgement::answers($criteria, $verdict, $failed) : [],
                );
            }
        }
    }

    /** What is left is read the likeliest first, and a sample of it tells how much has been found. */
    public function check(CarbonImmutable $on): void
    {
        $criteria = Criterion::query()->where('review_id', $this->review->id)->orderBy('position')->get();
        $stage = $this->review->firstStage();
        $this->at($on->setTime(17, 30));
        $check = $this->order->drawCheck($this->people['ines'], $stage, self::CHECKED, 1902);
        foreach (
            Item::query()->whereIn('id', $check->items)->with('publication')->orderBy('position')->get() as $i => $item
        ) {
            [$verdict, $failed, $note] = Judgement::of($item->publication, 'karin');
            // where one would be unsure, the two talked first
            [$verdict, $failed] = $verdict === Verdict::Unsure ? [Verdict::Include, null] : [$verdict, $failed];
            foreach (['karin', 'tunde'] as $who) {
                $this->at($on->setTime(18, 0)->addMinutes($i));
                if ($item->refresh()->state === ItemState::Waiting) {
                    $this->decide->execute(
                        $this->people[$who],
                        $item,
                        $verdict,
                        $failed === null ? null : $criteria[$failed],
                        $note,
                    );
                }
            }
        }
        $this->at($on->setTime(20, 0));
        $this->order->execute($this->people['ines'], $stage, ReadingOrder::Likely, 10);
        app(Dispatcher::class)->dispatchNow(
            new RankItems($stage->id, $this->review->tasks()->where('kind', 'ranking')->latest('id')->value('id')),
        );
        $this->review->unsetRelation('stages');
    }

    public function settleSome(CarbonImmutable $from): void
    {
        $criteria = Criterion::query()->where('review_id', $this->review->id)->orderBy('position')->get();
        $open = Item::query()
            ->where('stage_id', $this->review->firstStage()->id)
            ->where('state', ItemState::Disagreement)
            ->orderBy('position')
            ->get();
        $says = [
            ['karin', 'The abstract does not say when the lamps were on. I would rather read it.'],
            ['tunde', 'Agreed that it is unclear, but the comparison is missing as well.'],
            ['ines', 'Please look at the methods again: the wards are compared with themselves.'],
        ];
        foreach ($open->take(6) as $i => $item) {
            $this->at($from->setTime(14, 0)->addMinutes($i * 7));
            foreach (array_slice($says, 0, 1 + ($i % 3)) as [$who, $words]) {
                $this->talk->execute($this->people[$who], $item, $words);
            }
        }
        foreach ($open->slice(6, 5) as $i => $item) {
            $this->at(
                $from
                    ->addDay()
                    ->setTime(10, 0)
                    ->addMinutes($i * 5),
            );
            $i % 2 === 0
                ? $this->settle->alone($this->people['ines'], $item, Verdict::Include, null, 'To be read in full.')
                : array_map(
                    fn (string $who): bool => $this->settle->propose(
                        $this->people[$who],
                        $item,
                        Verdict::Exclude,
                        $criteria[2],
                        '',
                    ),
                    ['karin', 'tunde'],
                );
        }
        $next = $open->slice(11, 1)->first();
        if ($next !== null) {
            $this->settle->propose(
                $this->people['karin'],
                $next,
                Verdict::Include,
                null,
                'The sample fits; the rest is for the full text.',
            );
        }
    }
}
