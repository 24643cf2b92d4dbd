<?php

declare(strict_types=1);

namespace WaryHeron\Core\Scouting\Reading;

use WaryHeron\Core\Coding\Lead\Sentences;

/** A record's title and its abstract as sentences. */
final readonly class ReadRecord
{
    /**
     * @param  list<RecordSentence>  $sentences
     * @param  string  $author  the family name of its first author; empty if unknown
     */
    private function __construct(
        public string $id,
        public RecordSentence $title,
        public array $sentences,
        public string $author = '',
    ) {
    }

    public static function of(string $id, string $title, string $abstract, string $author = ''): self
    {
        $pieces = Sentences::of(trim((string) preg_replace('/\s+/u', ' ', $abstract)));
        $sentences = [];
        $part = SentencePart::Untold;
        $last = max(1, count($pieces) - 1);
        $labelled = array_map(self::labelled(...), $pieces);
        // one label alone says nothing of the sentences after it
        $isParted = count(array_filter(array_column($labelled, 'part'))) > 1;
        foreach ($labelled as $i => $one) {
            $part = $one->part ?? ($isParted ? $part : SentencePart::Untold);
            if ($one->text !== '') {
                $sentences[] = new RecordSentence($one->text, $part, $i / $last);
            }
        }

        return new self($id, new RecordSentence($title, SentencePart::Untold, 0.0), $sentences, $author);
    }

    /** @param  list<RecordSentence>  $sentences */
    public static function ofSentences(string $id, string $title, array $sentences): self
    {
        return new self($id, new RecordSentence($title, SentencePart::Untold, 0.0), $sentences);
    }

    private static function labelled(string $sentence): LabelledSentence
    {
        $part = preg_match('/^([\p{L} ]{3,40}?)[:.](?:\s+(?=\S)|$)/u', $sentence, $found) === 1
            ? SentencePart::labelled($found[1])
            : null;

        return new LabelledSentence($part, $part === null ? $sentence : substr($sentence, strlen($found[0])));
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
