<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead\Reader;

use WaryHeron\Core\Coding\Lead\Asked\AskedItem;
use WaryHeron\Core\Coding\Lead\Asked\ItemType;
use WaryHeron\Core\Coding\Lead\Lead;
use WaryHeron\Core\Coding\Lead\LeadReader;
use WaryHeron\Core\Coding\Lead\Passage;
use WaryHeron\Core\Coding\Lead\Passages;
use WaryHeron\Core\Coding\Lead\Traps;
use WaryHeron\Core\Text\PlacedWord;

/** The identifier in a register of trials or plans; those of ethics committees and grants are none. */
final class RegistrationReader implements LeadReader
{
    private const REGISTERED = '\b(?:regist(?:ered|ration|er|ry)|trial (?:number|no|id)|protocol (?:number|no)|EudraCT|EU CT|archive|entry|identifier|pre-?regist\w+|plan of analysis)\b';

    private const ETHICS = '\b(?:ethic\w*|approv\w+|institutional review|IRB|board|committee|grant|award|licen[cs]e|registered nurses?|file)\b';

    private const NUMBER = '/(?<![\p{L}\d])(ChiCTR[-\w]*\d{4,}|(?:\p{Ll}?\p{Lu}{2,}[\p{Lu}\p{L}]*(?:[-\/ ]?\p{Lu}*)?[-\/ ]?\d[\p{L}\d]*(?:[-\/.]\d+)*)|\d{4}-\d{5,}-\d{2}|\d{4}[-\/]\d{3,})(?![\p{L}\d])/u';

    private const REGISTERS = '(?:NCT|ISRCTN|ACTRN|CTRI|EUCTR|DRKS|UMIN|ChiCTR|CRD|KCT|IRCT|PACTR|NTR|RBR|SLCTR|TCTR|JPRN)';

    public function reads(AskedItem $item): bool
    {
        return $item->type === ItemType::Identifier;
    }

    public function leads(AskedItem $item, Passages $paper): array
    {
        $leads = [];
        foreach ($paper->told() as $passage) {
            if (Traps::isCited($passage)) {
                continue;
            }
            preg_match_all(self::NUMBER, $passage->text, $found, PREG_OFFSET_CAPTURE);
            $numbers = array_map(fn (array $one): PlacedWord => self::placed($one[0], $one[1]), $found[1]);
            foreach ([...$numbers, ...self::besideRegister($passage->text)] as $placed) {
                $leads[] = self::lead($passage, $placed);
            }
        }

        return $leads;
    }

    private static function lead(Passage $passage, PlacedWord $placed): Lead
    {
        $at = $placed->start;
        // the register's name before its number is none of it
        $number = (string) preg_replace('/^\p{Lu}{3,} (?='.self::REGISTERS.')/u', '', $placed->word);
        $around = substr($passage->text, max(0, $at - 70), 70 + strlen($number) + 30);
        $says = preg_match('/'.self::REGISTERED.'/iu', $around) === 1;
        $isThere = preg_match('/regist/iu', $passage->heading) === 1;
        $isKnown = preg_match('/^'.self::REGISTERS.'/u', $number) === 1;
        $isOther = preg_match('/'.self::ETHICS.'/iu', substr($passage->text, max(0, $at - 45), 45)) === 1;
        $isNone = preg_match('/^(?:SD|CI|PSQI|Table|Fig|COVID|SARS|R\d|IBM|SAS|SPSS)/u', $number) === 1;
        $score = 0.4 +
            ($says ? 1.8 : 0.0) + ($isKnown ? 1.2 : 0.0) + ($isThere ? 1.2 : 0.0) -
            ($isOther ? 1.2 : 0.0) - ($isNone ? 2.0 : 0.0);
        $why = $says ? 'it is called a registration' : 'it looks like one';

        return Lead::from($passage, trim($number), $score, $why);
    }

    /** @return list<PlacedWord> “ISRCTN (number 12345678)” as one, with its place in bytes */
    private static function besideRegister(string $text): array
    {
        $apart = '/(?<!\p{L})('.self::REGISTERS.')\W{1,3}(?:registration )?(?:number|no\.?|identifier|ID)\W{1,3}(\d{5,})/u';
        preg_match_all($apart, $text, $found, PREG_OFFSET_CAPTURE | PREG_SET_ORDER);

        return array_map(fn (array $one): PlacedWord => self::placed($one[1][0].$one[2][0], $one[1][1]), $found);
    }

    private static function placed(string $number, int $at): PlacedWord
    {
        return new PlacedWord($number, $at, $at + strlen($number));
    }
}
