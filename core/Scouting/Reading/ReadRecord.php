<?php

declare(strict_types=1);

namespace WaryHeron\Core\Scouting\Reading;

use WaryHeron\Core\Coding\Lead\Sentences;

/** A record's title and its abstract as sentences. */
final readonly class ReadRecord
{
    /** @param  list<RecordSentence>  $sentences */
    private function __construct(public string $id, public RecordSentence $title, public array $sentences)
    {
    }

    public static function of(string $id, string $title, string $abstract): self
    {
        $pieces = Sentences::of(trim((string) preg_replace('/\s+/u', ' ', $abstract)));
        $sentences = [];
        $part = SentencePart::Untold;
        $last = max(1, count($pieces) - 1);
        foreach ($pieces as $i => $piece) {
            if (preg_match('/^([\p{L} ]{3,40}?)[:.](?:\s+(?=\S)|$)/u', $piece, $found) === 1) {
                $labelled = SentencePart::labelled($found[1]);
                $part = $labelled ?? $part;
                $piece = $labelled === null ? $piece : substr($piece, strlen($found[0]));
            }
            if ($piece !== '') {
                $sentences[] = new RecordSentence($piece, $part, $i / $last);
            }
        }

        return new self($id, new RecordSentence($title, SentencePart::Untold, 0.0), $sentences);
    }

    public function has(string $pattern): bool
    {
        return $this->count($pattern) > 0;
    }

    /** In how many of its sentences, the title among them. */
    public function count(string $pattern): int
    {
        return count(array_filter(
            [$this->title, ...$this->sentences],
            fn (RecordSentence $one): bool => $one->has($pattern),
        ));
    }
}
