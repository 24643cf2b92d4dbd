<?php

declare(strict_types=1);

namespace App\Queries\FullTexts;

use Illuminate\Support\Carbon;
use stdClass;
use WaryHeron\Core\FullText\RetrievalState;

/** A publication whose text is sought, as the list of texts shows it; scripts read it by these names. */
final readonly class SoughtText
{
    public string $id;

    public string $title;

    public string $meta;

    public string $doi;

    public string $state;

    public string $stateWords;

    public string $dated;

    public string $datedWords;

    public string $reason;

    public string $by;

    public string $locker;

    public string $study;

    public string $judged;

    /**
     * @param  stdClass  $row  of Retrievals::rows()
     * @param  list<HeldCopy>  $copies
     * @param  string  $publication  where it is shown
     * @param  string  $read  where it is read
     */
    public function __construct(stdClass $row, public array $copies, public string $publication, public string $read)
    {
        $state = RetrievalState::from($row->state ?? RetrievalState::Sought->value);
        $dated = Carbon::parse($row->dated ?? $row->created_at);
        $this->id = $row->id;
        $this->title = $row->title;
        $this->meta = self::meta($row);
        $this->doi = $row->doi;
        $this->state = $state->value;
        $this->stateWords = $state->label();
        $this->dated = $dated->format('Y-m-d');
        $this->datedWords = $dated->format('j M Y');
        $this->reason = $row->reason ?? '';
        $this->by = $row->by ?? '';
        $this->locker = $row->locker_answer ?? '';
        $this->study = $row->study ?? '';
        $isJudged = in_array($row->judged, ['included', 'excluded', 'disagreement'], true);
        $this->judged = $isJudged ? $row->judged : 'none';
    }

    private static function meta(stdClass $row): string
    {
        $authors = explode('; ', $row->authors);
        $shown = implode(', ', array_slice($authors, 0, 3)).(count($authors) > 3 ? ' and others' : '');

        return implode(' · ', array_filter([$shown, $row->journal, (string) $row->year, $row->place]));
    }
}
