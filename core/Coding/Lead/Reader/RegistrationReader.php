<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead\Reader;

use WaryHeron\Core\Coding\Lead\Asked\AskedItem;
use WaryHeron\Core\Coding\Lead\Asked\ItemType;
use WaryHeron\Core\Coding\Lead\Lead;
use WaryHeron\Core\Coding\Lead\LeadReader;
use WaryHeron\Core\Coding\Lead\Passages;
use WaryHeron\Core\Coding\Lead\Traps;

/** The identifier in a register of trials or plans; those of ethics committees and grants are none. */
final class RegistrationReader implements LeadReader
{
    private const REGISTERED = '\b(?:regist(?:ered|ration|er|ry)|trial (?:number|no|id)|protocol (?:number|no)|EudraCT|EU CT|archive|entry|identifier|pre-?regist\w+|plan of analysis)\b';

    private const ETHICS = '\b(?:ethic\w*|approv\w+|institutional review|IRB|board|committee|grant|award|licen[cs]e|registered nurses?|file)\b';

    private const NUMBER = '/(?<![\p{L}\d])((?:\p{Ll}?\p{Lu}{2,}[\p{Lu}\p{L}]*(?:[-\/ ]?\p{Lu}*)?[-\/ ]?\d[\p{L}\d]*(?:[-\/.]\d+)*)|\d{4}-\d{5,}-\d{2}|\d{4}[-\/]\d{3,})(?![\p{L}\d])/u';

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
            $isThere = preg_match('/regist/iu', $passage->heading) === 1;
            preg_match_all(self::NUMBER, $passage->text, $found, PREG_OFFSET_CAPTURE);
            foreach ($found[1] as [$number, $at]) {
                $around = substr($passage->text, max(0, $at - 70), 70 + strlen($number) + 30);
                $says = preg_match('/'.self::REGISTERED.'/iu', $around) === 1;
                $isKnown =
                    preg_match(
                        '/^(?:NCT|ISRCTN|ACTRN|CTRI|EUCTR|DRKS|UMIN|ChiCTR|CRD|KCT|IRCT|PACTR|NTR|RBR|SLCTR|TCTR|JPRN)/u',
                        $number,
                    ) === 1;
                $isOther = preg_match('/'.self::ETHICS.'/iu', substr($passage->text, max(0, $at - 45), 45)) === 1;
                $score =
                    0.4 +
                    ($says ? 1.8 : 0.0) +
                    ($isKnown ? 1.2 : 0.0) +
                    ($isThere ? 1.2 : 0.0) -
                    ($isOther ? 1.2 : 0.0) -
                    (preg_match('/^(?:SD|CI|PSQI|Table|Fig|COVID|SARS|R\d|IBM|SAS|SPSS)/u', $number) === 1 ? 2.0 : 0.0);
                $leads[] = Lead::from(
                    $passage,
                    trim($number),
                    $score,
                    $says ? 'it is called a registration' : 'it looks like one',
                );
            }
        }

        return $leads;
    }
}
