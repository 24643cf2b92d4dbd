<?php

declare(strict_types=1);

namespace WaryHeron\Core\Drafting\Text;

/** How a draft came about: what a machine proposed, and what people changed. */
final readonly class Methods
{
    public function __construct(private DraftFacts $facts)
    {
    }

    /** @return list<Paragraph> */
    public function searched(): array
    {
        $found = array_map(
            fn (string $name, int $count): string => $name.' ('.self::counted($count, 'record').')',
            array_keys($this->facts->found),
            array_values($this->facts->found),
        );

        return [Paragraph::of(
            'The question was asked in its own words on '.$this->facts->day.' of '.self::list($found).
                '. The records were ordered by machine by how likely they answer it; the first '.number_format($this->facts->read).
                ' were read by title and abstract. No record beyond them was looked at.',
        )];
    }

    /** @return list<Paragraph> */
    public function chose(): array
    {
        $told = [Paragraph::of(
            'The criteria were proposed by machine from the parts of the question, and answered by machine for each paper from its '.
                'title and abstract, or its full text where that was at hand. A paper that one of them leaves out, or of which most cannot be '.
                'told, is not among the findings unless a person put it in.',
        )];
        foreach ($this->facts->criteria as $one) {
            $people = $one->people === 0 ? '' : '; people changed '.self::counted($one->people, 'answer');
            $told[] = Paragraph::of(
                "{$one->asks} Left out: {$one->no}. Not to be told: {$one->unclear}{$people}.",
            );
        }
        $told[] = Paragraph::of($this->facts->changed === 0
            ? 'No person has confirmed or changed any of this yet.'
            : 'People changed '.self::counted($this->facts->changed, 'criterion, paper or item', 'criteria, papers or items').
                '; the rest is as the machine proposed it.');

        return $told;
    }

    /** @return list<Paragraph> */
    public function read(): array
    {
        return [Paragraph::of(
            'Of each paper that met the criteria ('.count($this->facts->papers).') a machine proposed the sentence that answers the '.
                'question, and answers to: '.self::list(array_map(lcfirst(...), $this->facts->items)).'. Each stands with the words it was read from. '.
                self::counted($this->facts->inFull, 'paper').' could be read in full.',
        )];
    }

    /** @param  array<string>  $names */
    public static function list(array $names): string
    {
        $names = array_values($names);
        $last = array_pop($names);

        return $names === [] ? (string) $last : implode(', ', $names)." and {$last}";
    }

    public static function counted(int $count, string $one, string $many = ''): string
    {
        return number_format($count).' '.($count === 1 ? $one : ($many === '' ? "{$one}s" : $many));
    }
}
