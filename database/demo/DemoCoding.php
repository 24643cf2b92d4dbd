<?php

declare(strict_types=1);

namespace Database\Demo;

use App\Actions\Coding\ChangeParts;
use App\Actions\Coding\SaveAnswer;
use App\Actions\Coding\ShareCoding;
use App\Actions\Coding\StartLeads;
use App\Jobs\Coding\FindLeads;
use App\Models\FullText;
use App\Models\Publication;
use App\Models\StudyPart;
use App\Models\User;
use App\Queries\Coding\AnswerSlot;
use App\Queries\Coding\CodedReports;
use Carbon\CarbonImmutable;
use Illuminate\Contracts\Bus\Dispatcher;
use WaryHeron\Core\Coding\GivenAnswer;

/** How studies were coded: in shares, most as far as abstracts go, some in depth. */
final class DemoCoding extends DemoPart
{
    private const MAPPED = 38;

    public function __construct(
        private readonly SaveAnswer $answer,
        private readonly ChangeParts $parts,
        private readonly StartLeads $leads,
        private readonly ShareCoding $shareOut,
    ) {
    }

    /** Papers that nobody has coded in full yet have been read; what was found waits. */
    public function readForAnswers(): void
    {
        $task = $this->leads->execute($this->people['ines'], $this->review);
        while ($task->refresh()->state->isUnderWay()) {
            app(Dispatcher::class)->dispatchNow(new FindLeads($task->id, CodedReports::ids($this->review)));
        }
    }

    /** Two coders have shares of what is to be coded. */
    public function shareCoding(): void
    {
        $weights = [$this->people['karin']->id => 1.0, $this->people['tunde']->id => 1.0];
        $studies = count(CodedReports::ids($this->review));
        $this->shareOut->give($this->people['ines'], $this->review, $weights, 4711, $studies);
    }

    /** Most of what is included is mapped as far as abstracts go, those first that tell everything; nine are coded in depth. */
    public function code(CarbonImmutable $from): void
    {
        $included = Publication::query()
            ->where('review_id', $this->review->id)
            ->where('abstract', '<>', '')
            ->whereIn('id', CodedReports::ids($this->review))
            ->orderBy('id')
            ->get();
        [$telling, $others] = $included->partition(
            fn (Publication $one): bool => count(ReadOff::of($one)) === ReadOff::ITEMS,
        );
        foreach ($telling->concat($others)->take(self::MAPPED)->values() as $i => $publication) {
            $this->at($from->setTime(9, 0)->addMinutes($i * 12));
            $coder = $this->people[$i % 2 === 0 ? 'karin' : 'tunde'];
            $this->answerAll($coder, $publication, ReadOff::of($publication));
            if ($i < 9) {
                $this->answerAll($coder, $publication, ReadOff::inDepth($publication));
                $this->nameArms($coder, $publication, isAnswered: $i < 3);
            }
        }
    }

    /** The two arms of a trial, as its tables call them; of some, how many were in each. */
    private function nameArms(User $coder, Publication $publication, bool $isAnswered): void
    {
        $copy = FullText::query()->where('review_id', $this->review->id)->where('publication_id', $publication->id)->first();
        $read = $copy === null ? null : ReadNumbers::of($copy);
        if ($read === null) {
            return;
        }
        $code = $this->review->codes()->where('label', 'People in the arm')->sole();
        [$given, $evidence] = $read->some(['n']);
        foreach (['Bright light', 'Dim light'] as $i => $name) {
            $part = $this->parts->name($coder, $publication, StudyPart::ARM, $name);
            $key = 'n'.($i + 1);
            if ($isAnswered) {
                $answer = new GivenAnswer($given[$key], evidence: $evidence[$key]);
                $this->answer->execute($coder, new AnswerSlot($publication, $code, $part), $answer);
            }
        }
    }

    /** @param  array<string, GivenAnswer>  $answers */
    private function answerAll(User $coder, Publication $publication, array $answers): void
    {
        $codes = $this->review->codes()->get()->keyBy('label');
        foreach ($answers as $label => $given) {
            $this->answer->execute($coder, new AnswerSlot($publication, $codes->firstOrFail('label', $label)), $given);
        }
    }
}
