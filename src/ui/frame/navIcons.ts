import CheckIcon from '@mui/icons-material/FactCheckOutlined';
import DueIcon from '@mui/icons-material/AssignmentTurnedInOutlined';
import CoursesIcon from '@mui/icons-material/MenuBookOutlined';
import EverythingIcon from '@mui/icons-material/FormatListBulletedOutlined';
import HelpIcon from '@mui/icons-material/HelpOutlineOutlined';
import HoursIcon from '@mui/icons-material/MeetingRoomOutlined';
import LoadIcon from '@mui/icons-material/BarChartOutlined';
import MaterialsIcon from '@mui/icons-material/FolderOutlined';
import NextIcon from '@mui/icons-material/TodayOutlined';
import OutsideIcon from '@mui/icons-material/InputOutlined';
import PublishIcon from '@mui/icons-material/RssFeedOutlined';
import SchoolIcon from '@mui/icons-material/AccountBalanceOutlined';
import SignUpIcon from '@mui/icons-material/EventAvailableOutlined';
import SubscribeIcon from '@mui/icons-material/PhonelinkOutlined';
import TodayIcon from '@mui/icons-material/WbSunnyOutlined';
import TermIcon from '@mui/icons-material/GridOnOutlined';
import WeekIcon from '@mui/icons-material/ViewWeekOutlined';

/** The icon beside each word of the navigation, by where it leads. */
export const NAV_ICONS: Readonly<Record<string, typeof TermIcon>> = {
  '/calendars': OutsideIcon,
  '/checks': CheckIcon,
  '/courses': CoursesIcon,
  '/due': DueIcon,
  '/everything': EverythingIcon,
  '/help': HelpIcon,
  '/load': LoadIcon,
  '/materials': MaterialsIcon,
  '/next': NextIcon,
  '/office-hours': HoursIcon,
  '/publish': PublishIcon,
  '/school': SchoolIcon,
  '/sign-up': SignUpIcon,
  '/subscribe': SubscribeIcon,
  '/term': TermIcon,
  '/today': TodayIcon,
  '/week': WeekIcon,
};
