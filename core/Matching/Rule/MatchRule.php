<?php

declare(strict_types=1);

namespace WaryHeron\Core\Matching\Rule;

use WaryHeron\Core\Matching\Evidence;
use WaryHeron\Core\Matching\MatchVerdict;

/**
 * What two records can be at most, whatever they weigh: what contradicts is no question of weight. The first rule that
 * has something to say decides, in this order; the last always has.
 */
enum MatchRule
{
    case DifferentPart;
    case DifferentKind;
    case WordsDiffer;
    case TwoDois;
    case TwoPlaces;
    case TwoVolumes;
    case OneIsMarked;
    case RecurrentTitle;
    case DifferentTitle;
    case DifferentPeople;
    case Same;
    case Unconfirmed;
    case Otherwise;

    /** The rule in a sentence. */
    public function sentence(): string
    {
        return match ($this) {
            self::DifferentPart => 'Different parts, reports or years of a series are never one publication.',
            self::DifferentKind => 'A notice, comment or reply is not what it is about; only where DOI or place are the same and the title is alike, a person is asked.',
            self::WordsDiffer => 'Where a word differs that is no spelling mistake, only the same DOI or place makes us ask.',
            self::TwoDois => 'Two DOIs are two publications, unless they stand at one place with a like title; one odd number among sameness is asked about.',
            self::TwoPlaces => 'Different pages or years are two publications, unless DOI and title say otherwise.',
            self::TwoVolumes => 'Different volumes are two publications, unless the DOI is the same or one digit alone differs.',
            self::OneIsMarked => 'Where only one is called a part, protocol, update, abstract or preprint, DOI or place have to say that they are one.',
            self::RecurrentTitle => 'A title that several publications bear says nothing by itself: DOI, place or all else of one issue has to.',
            self::DifferentTitle => 'With different titles they are two: abstracts of a meeting share a page, and parts of a book a DOI.',
            self::DifferentPeople => 'With none of the people in common they are two, unless DOI or place are the same.',
            self::Same => 'A like title with the same DOI or place, or the same title with nothing against it, is one publication.',
            self::Unconfirmed => 'Where either the title or the place speaks for it, but not both, a person is asked.',
            self::Otherwise => 'Where nothing speaks clearly, a person is asked.',
        };
    }

    /** What follows for such evidence; null where the rule has nothing to say of it. */
    public function verdict(Evidence $evidence): ?MatchVerdict
    {
        return RuleVerdict::of($this, $evidence);
    }

    /** The rule that decides. */
    public static function deciding(Evidence $evidence): self
    {
        foreach (self::cases() as $rule) {
            if ($rule->verdict($evidence) !== null) {
                return $rule;
            }
        }

        return self::Otherwise;
    }
}
