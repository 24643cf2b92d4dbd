<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Strategy\Translated;

/** What has to be known of a database's thesaurus to say a strategy's headings in it. Labels compare without case. */
interface TargetHeadings
{
    public function has(string $label): bool;

    /** @return list<string> headings there that a person confirmed to stand for this one; empty where nobody has */
    public function confirmed(string $label): array;

    /** @return list<string> headings there that may stand for this one, the likeliest first */
    public function candidates(string $label): array;

    /** @return list<string> right below the heading there */
    public function narrower(string $label): array;

    /** @return list<string> headings that its narrower ones bring there, though not where the heading was chosen */
    public function broughtAlong(string $label, string $chosen): array;
}
